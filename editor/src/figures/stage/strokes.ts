import { drawerOf, drawnShare, pathData, pathOfGuide, POSE, POSE_SIZE, type Guide, type Scene } from '@pace-line/core';
import { matrixText, rounded, svgElement } from './svg.ts';

/** A guide that is drawn in what is sent, as a path of the stage. */
interface Stroke {
  readonly path: SVGPathElement;
  /** Index of the rider that carries it, −1 where it lies on the canvas. */
  carrier: number;
  frame: string;
  /** Index of the rider that draws it, −1 where it is there whole. */
  rider: number;
  length: number;
  offset: string;
}

/** The drawn guides of a stage. */
export interface Strokes {
  /** Whether a scene has any, or had. */
  concerns: (scene: Scene) => boolean;
  /** Brings them up to date with a scene; those no longer drawn go. */
  update: (scene: Scene) => ReadonlyMap<string, SVGPathElement>;
  /** Shows what riders have drawn by now. */
  draw: (poses: Float64Array) => void;
}

export function createStrokes(): Strokes {
  const strokes = new Map<string, Stroke>();
  const strokeOf = (id: string): Stroke => {
    let one = strokes.get(id);
    if (!one) {
      const path = svgElement('path', { fill: 'none', 'stroke-linejoin': 'round' });
      strokes.set(id, (one = { path, carrier: -1, frame: '', rider: -1, length: 0, offset: '' }));
    }
    return one;
  };
  return {
    concerns: (scene) => strokes.size > 0 || scene.guides.some((guide) => guide.stroke),
    update(scene) {
      const drawn = scene.guides.filter((guide) => guide.stroke);
      for (const [id, { path }] of strokes)
        if (!drawn.some((guide) => guide.id === id)) {
          path.remove();
          strokes.delete(id);
        }
      return new Map(drawn.map((guide) => [guide.id, renewed(strokeOf(guide.id), guide, scene)]));
    },
    draw(poses) {
      for (const one of strokes.values()) {
        if (one.carrier >= 0) carry(one, poses, one.carrier * POSE_SIZE);
        if (one.rider < 0) continue;
        const share = drawnShare(poses[one.rider * POSE_SIZE + POSE.distance] ?? 0, one.length);
        const offset = String(rounded(one.length * (1 - share)));
        if (offset !== one.offset) one.path.setAttribute('stroke-dashoffset', (one.offset = offset));
      }
    },
  };
}

/** Puts a carried guide's line where its carrier is, as opaque as that. */
function carry(one: Stroke, poses: Float64Array, at: number): void {
  const frame = `${matrixText(poses, at)} ${poses[at + POSE.opacity] ?? 1}`;
  if (frame === one.frame) return;
  one.frame = frame;
  one.path.setAttribute('transform', matrixText(poses, at));
  one.path.setAttribute('opacity', String(poses[at + POSE.opacity] ?? 1));
}

function renewed(one: Stroke, guide: Guide, scene: Scene): SVGPathElement {
  const carrier = scene.riders.findIndex(({ id }) => id === guide.carrier);
  Object.assign(one, {
    carrier,
    frame: '',
    rider: drawerOf(scene, guide),
    length: pathOfGuide(guide).length,
    offset: '',
  });
  const { path, rider, length } = one;
  const { stroke } = guide;
  const put = (name: string, value: string): void => path.setAttribute(name, value);
  put('d', pathData(guide.nodes, guide.closed));
  put('stroke', stroke?.color ?? guide.color);
  put('stroke-width', String(stroke?.width ?? 1));
  put('stroke-linecap', rider < 0 ? 'round' : 'butt');
  put('stroke-dasharray', rider >= 0 ? `${length} ${length}` : (stroke?.dash?.join(' ') ?? 'none'));
  put('stroke-dashoffset', '0');
  if (carrier < 0) for (const name of ['transform', 'opacity']) path.removeAttribute(name);
  return path;
}
