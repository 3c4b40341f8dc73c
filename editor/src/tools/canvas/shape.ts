import { addGuide, freeId, idsIn, nodesOfShape, shapeNodes, type GuideShape, type ShapeKind } from '@pace-line/core';
import { selectGuide } from '../../document/index.ts';
import { guideFrom } from './new-guide.ts';
import { snapped } from '../snap/snap.ts';
import { DRAG_FROM, wayOf, type Pointer } from '../pointer.ts';
import type { CanvasTool, Tool, ToolHost } from '../tool.ts';

/** Names of the shapes, as people read them. */
export const SHAPE_NAMES: Readonly<Record<ShapeKind, string>> = {
  line: 'Line',
  circle: 'Circle',
  ellipse: 'Ellipse',
  arc: 'Arc',
  rectangle: 'Rectangle',
  polygon: 'Polygon',
  wave: 'Wave',
  spiral: 'Spiral',
  'figure-eight': 'Figure-eight',
  loops: 'Loops',
  bounces: 'Bounces',
};

type Place = Pick<Pointer, 'x' | 'y'>;

/** Share of a box's longer side below which the shorter one was not meant: a hand that went straight. */
const NO_SIDE = 0.02;

/** The sides of a dragged box; one without breadth is as broad as it is long. */
function sidesOf(width: number, height: number): readonly [number, number] {
  const longer = Math.max(width, height);
  return Math.min(width, height) < NO_SIDE * longer ? [longer, longer] : [width, height];
}

/** A shape that fills the box between two corners; lines, waves, loops and bounces run from one point to the other. */
export function shapeBetween(kind: ShapeKind, a: Place, b: Place): GuideShape {
  const stance = { x: (a.x + b.x) / 2, y: (a.y + b.y) / 2, turn: 0, reversed: false, start: 0 };
  const [width, height] = sidesOf(Math.abs(b.x - a.x), Math.abs(b.y - a.y));
  const way = Math.hypot(b.x - a.x, b.y - a.y);
  const turn = Math.round(((Math.atan2(b.y - a.y, b.x - a.x) * 180) / Math.PI) * 100) / 100;
  const radius = Math.min(width, height) / 2;
  switch (kind) {
    case 'line':
      return { kind, ...stance, turn, length: way };
    case 'circle':
      return { kind, ...stance, radius };
    case 'ellipse':
      return { kind, ...stance, width, height };
    case 'arc':
      return { kind, ...stance, radius, from: 180, sweep: 180 };
    case 'rectangle':
      return { kind, ...stance, width, height, radius: Math.round(radius / 4) };
    case 'polygon':
      return { kind, ...stance, sides: 5, radius };
    case 'wave':
      return { kind, ...stance, turn, length: way, height: Math.round(way / 5), waves: 2 };
    case 'spiral':
      return { kind, ...stance, inner: Math.round(radius / 8), outer: radius, turns: 3 };
    case 'figure-eight':
      return { kind, ...stance, width, height };
    case 'loops':
      return { kind, ...stance, turn, length: way, radius: Math.round(way / 6), loops: 3 };
    case 'bounces':
      return { kind, ...stance, turn, length: way, height: Math.round(way / 3), bounces: 4, keep: 0.5 };
  }
}

/** Canvas px of a shape that was clicked, not dragged. */
const CLICKED = 240;

/** Starting from a shape: drag its box (with Shift as wide as high; lines at multiples of 15°), or click for a middling one. */
export function shapeTool(host: ToolHost, done: () => void): Tool {
  let from: Place | undefined;

  const reached = (start: Place, p: Pointer): Place => {
    const kind = host.options().shape;
    if (p.shift && (kind === 'line' || kind === 'wave' || kind === 'loops' || kind === 'bounces')) {
      const [dx, dy] = wayOf(start, p);
      return { x: start.x + dx, y: start.y + dy };
    }
    const { x, y, hints } = snapped(host.scene(), host.poses(), host.snapping(), p);
    host.hint(hints);
    if (!p.shift) return { x, y };
    const side = Math.max(Math.abs(x - start.x), Math.abs(y - start.y));
    return { x: start.x + Math.sign(x - start.x || 1) * side, y: start.y + Math.sign(y - start.y || 1) * side };
  };

  const reset = (): void => {
    from = undefined;
    host.preview(null);
    host.hint([]);
  };

  return {
    down(p) {
      from = snapped(host.scene(), host.poses(), host.snapping(), p);
    },
    move(p) {
      if (!from) return;
      const { nodes, closed } = nodesOfShape(shapeBetween(host.options().shape, from, reached(from, p)));
      host.preview({
        kind: 'outline',
        nodes: nodes.map((node) => ({ ...node, in: node.in, out: node.out, join: 'corner' })),
        closed,
      });
    },
    up(p) {
      if (!from) return;
      const kind = host.options().shape;
      const isDrag = Math.hypot(p.x - from.x, p.y - from.y) * p.zoom > DRAG_FROM;
      const half = CLICKED / 2;
      const shape = isDrag
        ? shapeBetween(kind, from, reached(from, p))
        : shapeBetween(
            kind,
            {
              x: from.x - half,
              y: kind === 'line' || kind === 'wave' || kind === 'loops' || kind === 'bounces' ? from.y : from.y - half,
            },
            {
              x: from.x + half,
              y: kind === 'line' || kind === 'wave' || kind === 'loops' || kind === 'bounces' ? from.y : from.y + half,
            },
          );
      reset();
      const scene = host.scene();
      const id = freeId(idsIn(scene), 'guide');
      const guide = {
        ...guideFrom(scene, [], false, SHAPE_NAMES[kind]),
        ...shapeNodes(scene, id, [], shape),
        id,
        shape,
      };
      host.do(`Draw ${SHAPE_NAMES[kind].toLowerCase()}`, (base) => addGuide(base, { guide }), selectGuide(id));
      done();
    },
    hover(p) {
      host.hint(snapped(host.scene(), host.poses(), host.snapping(), p).hints);
      return 'crosshair';
    },
    cancel() {
      const had = from !== undefined;
      reset();
      return had;
    },
    key: () => false,
  };
}

export const shaping = {
  name: 'shape',
  label: 'Shape',
  about: 'Draws a guide from a shape: circle, rectangle, spiral, wave…',
  also: 'circle ellipse rectangle polygon star spiral wave figure eight primitive',
  line: 'Drag the shape’s box, or click for a middling one; Shift keeps proportions.',
  pointed: 'drag',
  make: shapeTool,
} as const satisfies CanvasTool;
