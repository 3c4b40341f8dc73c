import { displayOrder, KEY_CHANNELS, type Rider, type Scene } from '@pace-line/core';
import type { Frame } from '../../../scene/playback.ts';
import { cssMatrix, type ViewTransform } from '../view-transform.ts';
import { createPlacedRiders } from './placed.ts';
import { createStrokes } from './strokes.ts';
import { arrange, svgElement } from './svg.ts';

/** Whether a rider never moves: it rides nothing, is carried by nobody, looks toward nothing and has no keys. */
const standsStill = ({ guide, carrier, heading, keys }: Rider): boolean =>
  guide === null &&
  !carrier &&
  heading.mode !== 'toward' &&
  KEY_CHANNELS.every((channel) => keys[channel].length === 0);

/** What draws the canvas: scenery, and riders that move. */
export interface Stage {
  setView: (view: ViewTransform) => void;
  /** Shows the scene of a frame with every rider where it is then. */
  draw: (frame: Frame) => void;
  destroy: () => void;
}

/**
 * The moving root is a layer of its own: what stands below it (scenery, guides as lines: desk.css) is not painted with it, nor what lies above. More
 * layers cost more than they spare: each is blended over the whole pane in every frame.
 */
const STYLE =
  'svg{position:absolute;inset:0;width:100%;height:100%;contain:strict;pointer-events:none}' +
  '.scenery{z-index:0}.riders{z-index:2;will-change:transform}';

/** The two roots of a stage, each with a group that has the view's transform. */
function createRoots(host: HTMLElement): {
  readonly groups: readonly [scenery: SVGGElement, moving: SVGGElement];
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
  shadow.replaceChildren(style, ...roots);
  return {
    groups: [roots[0].firstChild as SVGGElement, roots[1].firstChild as SVGGElement],
    destroy: () => roots.forEach((one) => one.remove()),
  };
}

/** A stage of two SVG roots that share one view: riders at the bottom that never move stand in the first, so that only the second is painted each frame. */
export function createSvgStage(host: HTMLElement): Stage {
  const { groups, destroy } = createRoots(host);
  const [scenery, moving] = groups;
  const paper = svgElement('rect');
  scenery.append(paper);
  const riders = createPlacedRiders();
  const strokes = createStrokes();
  let scene: Scene | undefined;
  let shownView = '';

  /** Brings the drawn things of a scene into the two layers, in their order. */
  const place = (next: Scene): void => {
    const layers: [SVGElement[], SVGElement[]] = [[paper], []];
    const paths = strokes.update(next);
    const arts = new Map(next.art.map((art) => [art.id, art]));
    // Riders at the bottom that never move are scenery; from the first thing on that may, all is in the layer that moves.
    let isScenery = true;
    for (const one of displayOrder(next)) {
      isScenery &&= one.kind === 'rider' && standsStill(one.rider);
      const art = one.kind === 'rider' ? arts.get(one.rider.art) : undefined;
      const element =
        one.kind === 'stroke' ? paths.get(one.guide.id) : art && riders.groupOf(one.rider, art, next.assets);
      if (element) layers[isScenery ? 0 : 1].push(element);
    }
    riders.keepOnly(new Set(next.riders.map(({ id }) => id)));
    arrange(scenery, layers[0]);
    arrange(moving, layers[1]);
  };

  const show = (next: Scene): void => {
    if (next === scene) return;
    const isDrawn = next.guides !== scene?.guides && strokes.concerns(next);
    if (next.riders !== scene?.riders || next.art !== scene.art || isDrawn) place(next);
    if (next.canvas !== scene?.canvas) {
      const { width, height, background } = next.canvas;
      paper.setAttribute('width', String(width));
      paper.setAttribute('height', String(height));
      paper.setAttribute('fill', background ?? 'none');
    }
    scene = next;
  };

  return {
    setView(view) {
      const transform = cssMatrix(view);
      // Said again, the same transform would lay out all that is in the groups once more.
      if (transform === shownView) return;
      shownView = transform;
      for (const group of groups) group.setAttribute('transform', transform);
    },
    draw({ scene: next, poses }) {
      show(next);
      strokes.draw(poses.data);
      riders.draw(next, poses.data);
    },
    destroy,
  };
}
