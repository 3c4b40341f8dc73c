import {
  cameraOf,
  displayOrder,
  isStill,
  POSE,
  POSE_SIZE,
  type Displayed,
  type Rider,
  type Scene,
} from '@pace-line/core';
import type { Frame } from '../../frame/playback.ts';
import { cssMatrix, type ViewTransform } from '../view-transform.ts';
import { createCameraView } from './camera-view.ts';
import { createClips } from './clips.ts';
import { createPlacedRiders } from './placed.ts';
import { createStrokes } from './strokes.ts';
import { arrange, svgElement } from './svg.ts';

/** Whether a rider never changes: neither by itself, nor before the loop, nor by what it is carried by, strung to, looks toward or seen through. */
const standsStill = (rider: Rider): boolean =>
  isStill(rider) &&
  !rider.entrance &&
  !rider.carrier &&
  !rider.strung &&
  rider.heading.mode !== 'toward' &&
  rider.parallax === 1;

/** What draws the canvas: scenery, and riders that move. */
export interface Stage {
  setView: (view: ViewTransform) => void;
  /** Shows the scene of a frame with every rider where it is then; as it is edited, or as it is sent: through its camera, without what is left out. */
  draw: (frame: Frame, asSent?: boolean) => void;
  /** Paints what moves without smoothing its edges: in some tenths less of the time. */
  setRough: (isRough: boolean) => void;
  destroy: () => void;
}

/**
 * The moving root is a layer of its own: what stands below it (scenery, guides as lines: desk.css) is not painted with it, nor what lies above. More
 * layers cost more than they spare: each is blended over the whole pane in every frame.
 */
const STYLE =
  'svg{position:absolute;inset:0;width:100%;height:100%;contain:strict;pointer-events:none}' +
  '.scenery{z-index:0}.riders{z-index:2;will-change:var(--own-layer,transform)}' +
  '.rough{shape-rendering:optimizeSpeed}' +
  '.beyond{fill:var(--table);fill-opacity:var(--beyond,0.8)}' +
  '.canvas-edge{fill:none;stroke:var(--ink);stroke-width:1;vector-effect:non-scaling-stroke}';

/** The two roots of a stage, each with a group that has the view's transform. */
function createRoots(
  host: HTMLElement,
  isFramed: boolean,
): {
  readonly groups: readonly [scenery: SVGGElement, moving: SVGGElement];
  /** Over all of it: what lies beyond the canvas, dimmed, and the canvas's edge. Of the view, whatever a camera shows. */
  readonly frame: { readonly setView: (view: string) => void; readonly fit: (width: number, height: number) => void };
  readonly setRough: (isRough: boolean) => void;
  readonly destroy: () => void;
} {
  // In a shadow tree no rule of the page is matched against the art, and none of the art against the page.
  const shadow = host.shadowRoot ?? host.attachShadow({ mode: 'open' });
  const style = document.createElement('style');
  style.textContent = STYLE;
  const root = (name: string): SVGSVGElement => {
    const svg = svgElement('svg', { 'aria-hidden': 'true', class: name });
    svg.append(svgElement('g'));
    return svg;
  };
  const roots = [root('scenery'), root('riders')] as const;
  const group = svgElement('g');
  const beyond = svgElement('path', { class: 'beyond', 'fill-rule': 'evenodd' });
  const edge = svgElement('rect', { class: 'canvas-edge' });
  group.append(beyond, edge);
  if (isFramed) roots[1].append(group);
  shadow.replaceChildren(style, ...roots);
  return {
    groups: [roots[0].firstChild as SVGGElement, roots[1].firstChild as SVGGElement],
    frame: {
      setView: (view) => {
        if (group.getAttribute('transform') !== view) group.setAttribute('transform', view);
      },
      fit: (width, height) => {
        edge.setAttribute('width', String(width));
        edge.setAttribute('height', String(height));
        beyond.setAttribute('d', `M-99999 -99999H99999V99999H-99999ZM0 0V${height}H${width}V0Z`);
      },
    },
    setRough: (isRough) => roots[1].classList.toggle('rough', isRough),
    destroy: () => roots.forEach((one) => one.remove()),
  };
}

/** A stage of two SVG roots that share one view: riders at the bottom that never move stand in the first, so that only the second is painted each frame. `isFramed`: with the canvas's edge, and what lies beyond it dimmed. */
export function createSvgStage(host: HTMLElement, isFramed = true): Stage {
  const { groups, frame, setRough, destroy } = createRoots(host, isFramed);
  const [scenery, moving] = groups;
  const paper = svgElement('rect');
  scenery.append(paper);
  const [riders, strokes, clips] = [createPlacedRiders(), createStrokes(), createClips()];
  const definitions = svgElement('defs');
  const camera = createCameraView(riders);
  let scene: Scene | undefined;
  let [shownView, view] = ['', ''];

  /** The order of what is drawn, and of those that are behind others at times where each is now. */
  let order: readonly Displayed[] = [];
  let paths: ReadonlyMap<string, SVGElement> = new Map();
  let places = '';

  /** Brings the drawn things of a scene into the two layers, in their order. */
  const place = (next: Scene, poses: Float64Array): void => {
    const layers: [SVGElement[], SVGElement[]] = [[paper], definitions.firstChild ? [definitions] : []];
    const arts = new Map(next.art.map((art) => [art.id, art]));
    // Riders at the bottom that never move are scenery; from the first thing on that may, all is in the layer that moves.
    let isScenery = true;
    for (const one of order) {
      isScenery &&= one.kind === 'rider' && standsStill(one.rider);
      if (one.kind === 'rider' && one.under !== underOf(poses, one.index)) continue;
      const art = one.kind === 'rider' ? arts.get(one.rider.art) : undefined;
      const element =
        one.kind === 'stroke' ? paths.get(one.guide.id) : art && riders.groupOf(one.rider, art, next.assets);
      if (element) layers[isScenery ? 0 : 1].push(element);
    }
    riders.keepOnly(new Set(next.riders.map(({ id }) => id)));
    arrange(scenery, layers[0]);
    arrange(moving, layers[1]);
    if (!definitions.firstChild) definitions.remove();
  };

  const show = (next: Scene, poses: Float64Array): void => {
    if (next !== scene) {
      const isDrawn = next.guides !== scene?.guides && (strokes.concerns(next) || hasClips(next));
      const isOther =
        next.riders !== scene?.riders || next.art !== scene.art || next.camera !== scene.camera || isDrawn;
      if (isOther) {
        order = displayOrder(next);
        paths = strokes.update(next);
        definitions.replaceChildren(...clips.update(next));
        places = '';
      }
      paint(next);
    }
    const now = placesOf(next, poses);
    if (now !== places) place(next, poses);
    places = now;
    scene = next;
  };

  const paint = (next: Scene): void => {
    if (next.canvas !== scene?.canvas) {
      const { width, height, background } = next.canvas;
      paper.setAttribute('width', String(width));
      paper.setAttribute('height', String(height));
      paper.setAttribute('fill', background ?? 'none');
      frame.fit(width, height);
    }
  };

  /** The view, and before it what a camera makes of the canvas. */
  const look = (): void => {
    const transform = [view, camera.transform].filter(Boolean).join(' ');
    // Said again, the same transform would lay out all that is in the groups once more.
    if (transform === shownView) return;
    shownView = transform;
    for (const group of groups) group.setAttribute('transform', transform);
  };

  return {
    setView(next) {
      view = cssMatrix(next);
      frame.setView(view);
      look();
    },
    draw({ scene: next, motion, poses }, asSent = false) {
      show(next, poses.data);
      camera.update(next, asSent ? cameraOf(next, motion) : -1, poses.data);
      look();
      strokes.draw(poses.data);
      clips.draw(poses.data);
      riders.draw(next, poses.data, asSent);
    },
    ...{ setRough, destroy },
  };
}

const underOf = (poses: Float64Array, index: number): number => poses[index * POSE_SIZE + POSE.under] ?? 0;

const hasClips = ({ riders }: Scene): boolean => riders.some(({ inside }) => inside !== null);

/** Where those that are behind others at times stand in the order now, as one word. */
function placesOf({ riders }: Scene, poses: Float64Array): string {
  let places = '·';
  riders.forEach(({ behind }, i) => {
    if (behind.length > 0) places += `${underOf(poses, i)} `;
  });
  return places;
}
