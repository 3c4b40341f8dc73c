import { pathData, POSE_SIZE, transformedNode, type Guide, type Matrix, type Rider, type Scene } from '@pace-line/core';
import { matrixText, svgElement } from './svg.ts';

type Inside = NonNullable<Rider['inside']>;

/** What a guide clips on a stage. */
interface Clip {
  readonly element: SVGClipPathElement;
  readonly path: SVGPathElement;
  readonly guide: Guide;
  readonly keep: Inside['keep'];
  /** Index of the rider that carries it, −1 where it lies on the canvas. */
  readonly carrier: number;
  frame: string;
}

/** The clips that riders of a scene are seen within. */
export interface Clips {
  /** Brings them up to date with a scene; gives them for the definitions of a layer. */
  update: (scene: Scene) => SVGElement[];
  /** Puts those that are carried where they are in a frame. */
  draw: (poses: Float64Array) => void;
}

/** px beyond any canvas, with a camera on it. */
const FAR = 1e6;

const clipId = ({ guide, keep }: Inside): string => `${keep}-${guide}`;

/** What a rider is seen within, as the value of an attribute; empty: it is seen whole. */
export const clipOf = ({ inside }: Rider): string => (inside ? `url(#${clipId(inside)})` : '');

export function createClips(): Clips {
  let clips: readonly Clip[] = [];
  return {
    update({ riders, guides }) {
      const found = new Map<string, Clip>();
      for (const { inside } of riders) {
        const guide = inside && guides.find(({ id }) => id === inside.guide);
        if (!guide || found.has(clipId(inside))) continue;
        const element = svgElement('clipPath', { id: clipId(inside) });
        const path = svgElement('path', { 'clip-rule': 'evenodd', d: outline(guide, inside.keep) });
        element.append(path);
        const carrier = riders.findIndex(({ id }) => id === guide.carrier);
        found.set(clipId(inside), { element, path, guide, keep: inside.keep, carrier, frame: '' });
      }
      clips = [...found.values()];
      return clips.map(({ element }) => element);
    },
    draw(poses) {
      for (const one of clips) {
        if (one.carrier < 0) continue;
        const frame = matrixText(poses, one.carrier * POSE_SIZE);
        if (frame === one.frame) continue;
        one.frame = frame;
        const [a = 1, b = 0, c = 0, d = 1, e = 0, f = 0] = poses.subarray(one.carrier * POSE_SIZE);
        one.path.setAttribute('d', outline(one.guide, one.keep, [a, b, c, d, e, f]));
      }
    },
  };
}

/** A guide's line on the canvas, with all that is around it where that is what is seen. */
function outline({ nodes }: Guide, keep: Inside['keep'], matrix?: Matrix): string {
  const around = keep === 'outside' ? `M-${FAR}-${FAR}H${FAR}V${FAR}H-${FAR}Z` : '';
  return around + pathData(matrix ? nodes.map((node) => transformedNode(node, matrix)) : nodes, true);
}
