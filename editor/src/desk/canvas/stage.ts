import {
  displayOrder,
  drawerOf,
  drawnShare,
  pathData,
  pathOfGuide,
  POSE,
  POSE_SIZE,
  type Art,
  type Guide,
  type Rider,
  type Scene,
} from '@pace-line/core';
import type { Frame } from '../../scene/playback.ts';
import { artNodes } from './art-gate.ts';
import { cssMatrix, type ViewTransform } from './view-transform.ts';

/** What draws the canvas: scenery, and riders that move. */
export interface Stage {
  setView: (view: ViewTransform) => void;
  /** Shows the scene of a frame with every rider where it is then. */
  draw: (frame: Frame) => void;
  destroy: () => void;
}

const SVG = 'http://www.w3.org/2000/svg';

/**
 * The moving root is a layer of its own: what stands below it (scenery, guides as lines: desk.css) is not painted with it, nor what lies above. More
 * layers cost more than they spare: each is blended over the whole pane in every frame.
 */
const STYLE =
  'svg{position:absolute;inset:0;width:100%;height:100%;contain:strict;pointer-events:none}' +
  '.scenery{z-index:0}.riders{z-index:2;will-change:transform}';

interface Placed {
  readonly group: SVGGElement;
  readonly artKey: object | undefined;
  matrix: string;
  opacity: number;
  visible: boolean;
}

/** A guide that is drawn in what is sent, as a path of the stage. */
interface Stroke {
  readonly path: SVGPathElement;
  guide: Guide;
  /** Index of the rider that draws it, −1 where it is there whole. */
  rider: number;
  length: number;
  offset: string;
}

/** A stage of two SVG roots that share one view: riders at the bottom that never move stand in the first, so that only the second is painted each frame. */
export function createSvgStage(host: HTMLElement): Stage {
  // In a shadow tree no rule of the page is matched against the art, and none of the art against the page.
  const shadow = host.shadowRoot ?? host.attachShadow({ mode: 'open' });
  const style = document.createElement('style');
  style.textContent = STYLE;
  shadow.replaceChildren(style);
  const roots = [document.createElementNS(SVG, 'svg'), document.createElementNS(SVG, 'svg')] as const;
  const groups = roots.map((root, i) => {
    root.setAttribute('aria-hidden', 'true');
    root.classList.add(i === 0 ? 'scenery' : 'riders');
    const group = document.createElementNS(SVG, 'g');
    root.append(group);
    shadow.append(root);
    return group;
  });
  const [scenery, moving] = groups as [SVGGElement, SVGGElement];
  const paper = document.createElementNS(SVG, 'rect');
  scenery.append(paper);
  const placed = new Map<string, Placed>();
  const strokes = new Map<string, Stroke>();
  let scene: Scene | undefined;

  /** Brings the drawn guides up to date; those no longer drawn go. */
  const strokesOf = (next: Scene): Stroke[] => {
    const kept = next.guides.filter((guide) => guide.stroke);
    for (const [id, { path }] of strokes)
      if (!kept.some((guide) => guide.id === id)) {
        path.remove();
        strokes.delete(id);
      }
    return kept.map((guide) => {
      const stroke = guide.stroke;
      let one = strokes.get(guide.id);
      if (!one) {
        const path = document.createElementNS(SVG, 'path');
        path.setAttribute('fill', 'none');
        path.setAttribute('stroke-linejoin', 'round');
        strokes.set(guide.id, (one = { path, guide, rider: -1, length: 0, offset: '' }));
      }
      const rider = drawerOf(next, guide);
      Object.assign(one, { guide, rider, length: pathOfGuide(guide).length, offset: '' });
      const { path } = one;
      path.setAttribute('d', pathData(guide.nodes, guide.closed));
      path.setAttribute('stroke', stroke?.color ?? guide.color);
      path.setAttribute('stroke-width', String(stroke?.width ?? 1));
      path.setAttribute('stroke-linecap', rider < 0 ? 'round' : 'butt');
      const dash = rider >= 0 ? `${one.length} ${one.length}` : (stroke?.dash?.join(' ') ?? 'none');
      path.setAttribute('stroke-dasharray', dash);
      path.setAttribute('stroke-dashoffset', '0');
      return one;
    });
  };

  /** The group of a rider, with its art. */
  const groupOf = (rider: Rider, art: Art): SVGGElement => {
    let one = placed.get(rider.id);
    if (!one || one.artKey !== art) {
      one?.group.remove();
      const group = document.createElementNS(SVG, 'g');
      group.append(artNodes(art, `${art.id}-`));
      one = { group, artKey: art, matrix: '', opacity: 1, visible: true };
      placed.set(rider.id, one);
    }
    if (one.visible !== rider.visible) {
      one.visible = rider.visible;
      one.group.style.display = rider.visible ? '' : 'none';
    }
    return one.group;
  };

  const place = (next: Scene): void => {
    const seen = new Set<string>();
    const order: [SVGElement[], SVGElement[]] = [[], []];
    const drawn = new Map(strokesOf(next).map((stroke) => [stroke.guide.id, stroke]));
    const arts = new Map(next.art.map((art) => [art.id, art]));
    // Riders at the bottom that never move are scenery; from the first thing on that may, all is in the layer that moves.
    let isScenery = true;
    for (const one of displayOrder(next)) {
      isScenery &&= one.kind === 'rider' && one.rider.guide === null;
      const layer = order[isScenery ? 0 : 1];
      if (one.kind === 'stroke') {
        const stroke = drawn.get(one.guide.id);
        if (stroke) layer.push(stroke.path);
      } else {
        const art = arts.get(one.rider.art);
        if (!art) continue;
        seen.add(one.rider.id);
        layer.push(groupOf(one.rider, art));
      }
    }
    for (const [id, one] of placed)
      if (!seen.has(id)) {
        one.group.remove();
        placed.delete(id);
      }
    arrange(scenery, [paper, ...order[0]]);
    arrange(moving, order[1]);
  };

  const show = (next: Scene): void => {
    if (next === scene) return;
    const isDrawn = next.guides !== scene?.guides && (strokes.size > 0 || next.guides.some((guide) => guide.stroke));
    if (next.riders !== scene?.riders || next.art !== scene.art || isDrawn) place(next);
    const { width, height, background } = next.canvas;
    paper.setAttribute('width', String(width));
    paper.setAttribute('height', String(height));
    paper.setAttribute('fill', background ?? 'none');
    scene = next;
  };

  return {
    setView(view) {
      for (const group of groups) group.setAttribute('transform', cssMatrix(view));
    },
    draw({ scene: next, poses }) {
      show(next);
      const { data } = poses;
      for (const one of strokes.values()) {
        if (one.rider < 0) continue;
        const share = drawnShare(data[one.rider * POSE_SIZE + POSE.distance] ?? 0, one.length);
        const offset = String(round(one.length * (1 - share)));
        if (offset !== one.offset) one.path.setAttribute('stroke-dashoffset', (one.offset = offset));
      }
      next.riders.forEach((rider, i) => {
        const one = placed.get(rider.id);
        if (!one?.visible) return;
        const at = i * POSE_SIZE;
        const matrix = `matrix(${round(data[at])} ${round(data[at + 1])} ${round(data[at + 2])} ${round(data[at + 3])} ${round(data[at + 4])} ${round(data[at + 5])})`;
        if (matrix !== one.matrix) {
          one.matrix = matrix;
          one.group.setAttribute('transform', matrix);
        }
        const opacity = data[at + POSE.opacity] ?? 1;
        if (opacity !== one.opacity) {
          one.opacity = opacity;
          one.group.setAttribute('opacity', String(opacity));
        }
      });
    },
    destroy() {
      for (const root of roots) root.remove();
    },
  };
}

/** A hundred-thousandth is below what any zoom shows; short numbers parse fast. */
const round = (value: number | undefined): number => Math.round((value ?? 0) * 1e5) / 1e5;

/** Brings the children of a group into an order, moving as few as it can. */
function arrange(group: SVGGElement, wanted: readonly SVGElement[]): void {
  let at: ChildNode | null = group.firstChild;
  for (const element of wanted) {
    if (element === at) at = at.nextSibling;
    else group.insertBefore(element, at);
  }
}
