import { guideById, nameOfNodeAt, pathOfGuide, type Guide, type Node } from '@pace-line/core';
import { gripOf, handledNodes } from '../../tools/index.ts';
import { group, kept, shape, type Part, type Shape } from '../shapes.ts';
import { isTabStop } from '../tab-stop.ts';
import { seenIn } from '../view-transform.ts';
import { lyingOn } from './lying.ts';
import type { CanvasNow } from './now.ts';
import { Thinning } from './thinning.ts';

/** Nodes that stand nearer to another than this, px of the screen, are left out where there are many. */
const CROWDED = 7;

/** The guide whose nodes can be taken. */
export function nodesGuide({ scene, selection }: CanvasNow): Guide | undefined {
  const guide = guideById(scene, selection.guides[0] ?? null);
  return guide?.visible && !guide.locked && !guide.link ? guide : undefined;
}

/** The selected guide's nodes and handles, and the cross that moves it whole. */
export function nodes(now: CanvasNow): Part {
  const guide = nodesGuide(now);
  return guide
    ? lyingOn(now, guide, `nodes of ${guide.id}`, (scale) => [nodesOf(now, guide, now.view.zoom * scale)])
    : null;
}

function nodesOf(now: CanvasNow, guide: Guide, zoom: number): Part {
  const k = 1 / zoom;
  const [gx, gy] = gripOf(guide, zoom, seenIn(now.view, now.pane));
  const { selection } = now;
  const chosen = new Set(selection.nodes);
  const thinning = new Thinning(now, guide, guide.nodes.length, CROWDED);
  const rings: Part[] = [];
  for (let i = 0; i < guide.nodes.length; i++) {
    const node = guide.nodes[i];
    if (!node) continue;
    const isChosen = chosen.has(node.id);
    if (!thinning.takes(node.x, node.y, i === 0 || isChosen)) continue;
    const start = i === 0 ? startMark(guide) : null;
    rings.push(ring(node, guide.id, nameOfNodeAt(node, i), start, k, isChosen, isTabStop(selection.nodes, node.id, i)));
  }
  return group({ class: 'nodes', style: `color: ${guide.color}` }, [
    group({ key: 'grip', class: 'grip', transform: `translate(${gx} ${gy}) scale(${k})` }, GRIP),
    ...handledNodes(guide, selection).flatMap((node) => (['in', 'out'] as const).map((side) => handle(node, side, k))),
    ...rings,
  ]);
}

const GRIP = [
  shape('rect', { x: -8, y: -8, width: 16, height: 16, rx: 4 }),
  shape('path', { d: 'M-5 0H5M0 -5V5M-5 0l2 -2M-5 0l2 2M5 0l-2 -2M5 0l-2 2M0 -5l-2 2M0 -5l2 2M0 5l-2 -2M0 5l2 -2' }),
];

function handle(node: Node, side: 'in' | 'out', k: number): Part {
  const offset = node[side];
  return offset
    ? group({ key: `${node.id} ${side}`, class: 'handle' }, [
        shape('path', { d: `M${node.x} ${node.y}l${offset[0]} ${offset[1]}` }),
        shape('circle', { cx: node.x + offset[0], cy: node.y + offset[1], r: 4 * k }),
      ])
    : null;
}

/** A node; Tab comes to it where it is a stop, and from there one goes to the others. */
const ring = kept(
  (
    node: Node,
    guide: string,
    name: string,
    start: string | null,
    k: number,
    isSelected: boolean,
    isStop: boolean,
  ): Shape =>
    group(
      {
        key: `node ${node.id}`,
        class: `node ${isSelected ? 'selected' : ''}`,
        'data-part': node.id,
        'data-guide': guide,
        tabindex: isStop ? 0 : -1,
        role: 'button',
        'aria-pressed': String(isSelected),
        'aria-label': `${name}, ${node.join}, at ${Math.round(node.x)}, ${Math.round(node.y)}`,
        transform: `translate(${node.x} ${node.y}) scale(${k})`,
      },
      [
        node.join === 'corner'
          ? shape('rect', { x: -5, y: -5, width: 10, height: 10, rx: 2.5 })
          : shape('circle', { r: 5.5 }),
        start !== null && shape('path', { class: 'start-mark', d: start }),
      ],
    ),
);

/** A small chevron beside the first node that shows which way the guide runs; screen px about the node. */
function startMark(guide: Guide): string {
  const { tangentX: x, tangentY: y } = pathOfGuide(guide).frameAtDistance(0, 1);
  const at = (along: number, across: number): string => `${along * x + across * y} ${along * y - across * x}`;
  return `M${at(10, 5)}L${at(15, 0)}L${at(10, -5)}`;
}
