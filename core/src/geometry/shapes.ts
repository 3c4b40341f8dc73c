import { assertNever } from '../assert-never.ts';
import { fitOneCubic, type Sample } from './fit/index.ts';
import type { PathNode } from './span.ts';
import { multiply, type Vec } from './vec.ts';

/** Where a shape stands and which way it runs: centre in px, turn in degrees clockwise; `start`: how many nodes on a closed one begins. */
export interface ShapeStance {
  readonly x: number;
  readonly y: number;
  readonly turn: number;
  readonly reversed: boolean;
  readonly start: number;
}

/** What a shape is: lengths in px, angles in degrees clockwise from the right. */
export type ShapeForm =
  | { readonly kind: 'line'; readonly length: number }
  | { readonly kind: 'circle'; readonly radius: number }
  | { readonly kind: 'ellipse'; readonly width: number; readonly height: number }
  | { readonly kind: 'arc'; readonly radius: number; readonly from: number; readonly sweep: number }
  | { readonly kind: 'rectangle'; readonly width: number; readonly height: number; readonly radius: number }
  | { readonly kind: 'polygon'; readonly sides: number; readonly radius: number }
  | { readonly kind: 'wave'; readonly length: number; readonly height: number; readonly waves: number }
  | { readonly kind: 'spiral'; readonly inner: number; readonly outer: number; readonly turns: number }
  | { readonly kind: 'figure-eight'; readonly width: number; readonly height: number }
  | { readonly kind: 'loops'; readonly length: number; readonly radius: number; readonly loops: number }
  | {
      readonly kind: 'bounces';
      readonly length: number;
      readonly height: number;
      readonly bounces: number;
      /** Share of its height that each bounce keeps. */
      readonly keep: number;
    };

export type ShapeKind = ShapeForm['kind'];
export type GuideShape = ShapeStance & ShapeForm;

/** The shapes that guides are made as. */
export const SHAPE_KINDS = [
  'line',
  'circle',
  'ellipse',
  'arc',
  'rectangle',
  'polygon',
  'wave',
  'spiral',
  'figure-eight',
  'loops',
  'bounces',
] as const satisfies readonly ShapeKind[];

/**
 * Handle of a quarter circle, as a share of the radius: the curve stays within 0.02 % of the radius, in and out alike (the usual 0.5523 is 0.027 %
 * too wide).
 */
const QUARTER = 0.5519150244935106;

/** The nodes of a shape, in px. Closed shapes begin at `start`; `reversed` runs them the other way from there. */
export function nodesOfShape(shape: GuideShape): { nodes: readonly PathNode[]; closed: boolean } {
  const { nodes, closed } = outlineOf(shape);
  const count = nodes.length;
  const shift = closed && count > 0 ? ((shape.start % count) + count) % count : 0;
  const begun = [...nodes.slice(shift), ...nodes.slice(0, shift)];
  const directed = shape.reversed ? reversedNodes(begun, closed) : begun;
  const angle = (shape.turn * Math.PI) / 180;
  const cos = Math.cos(angle);
  const sin = Math.sin(angle);
  const turned = ([x, y]: Vec): Vec => [cos * x - sin * y, sin * x + cos * y];
  return {
    closed,
    nodes: directed.map((node) => {
      const [x, y] = turned([node.x, node.y]);
      return {
        x: x + shape.x,
        y: y + shape.y,
        ...(node.in ? { in: turned(node.in) } : {}),
        ...(node.out ? { out: turned(node.out) } : {}),
      };
    }),
  };
}

/** Nodes in the other order, their handles exchanged; a closed list keeps its first node. */
export function reversedNodes<N extends PathNode>(nodes: readonly N[], closed: boolean): N[] {
  const turned = nodes
    .map((node): N => {
      const { in: into, out, ...rest } = node;
      return { ...rest, ...(out ? { in: out } : {}), ...(into ? { out: into } : {}) } as unknown as N;
    })
    .reverse();
  const last = turned.pop();
  if (!last) return [];
  return closed ? [last, ...turned] : [...turned, last];
}

function outlineOf(shape: GuideShape): { nodes: readonly PathNode[]; closed: boolean } {
  switch (shape.kind) {
    case 'line':
      return {
        closed: false,
        nodes: [
          { x: -shape.length / 2, y: 0 },
          { x: shape.length / 2, y: 0 },
        ],
      };
    case 'circle':
      return { closed: true, nodes: ellipse(shape.radius, shape.radius) };
    case 'ellipse':
      return { closed: true, nodes: ellipse(shape.width / 2, shape.height / 2) };
    case 'arc':
      return { closed: false, nodes: arc(shape.radius, shape.from, shape.sweep) };
    case 'rectangle':
      return { closed: true, nodes: rectangle(shape.width / 2, shape.height / 2, shape.radius) };
    case 'polygon':
      return { closed: true, nodes: polygon(shape.sides, shape.radius) };
    case 'wave':
      return { closed: false, nodes: wave(shape.length, shape.height, shape.waves) };
    case 'spiral':
      return { closed: false, nodes: spiral(shape.inner, shape.outer, shape.turns) };
    case 'figure-eight':
      return { closed: true, nodes: eight(shape.width / 2, shape.height / 2) };
    case 'loops':
      return { closed: false, nodes: loops(shape.length, shape.radius, shape.loops) };
    case 'bounces':
      return { closed: false, nodes: bounces(shape.length, shape.height, shape.bounces, shape.keep) };
    default:
      return assertNever(shape);
  }
}

/** Thrown arcs from landing to landing: parabolas, each as high as the one before times `keep`, all gone across at one speed, so that widths go as roots of heights. */
function bounces(length: number, height: number, count: number, keep: number): PathNode[] {
  const heights = Array.from({ length: Math.max(1, Math.round(count)) }, (_, i) => height * keep ** i);
  const whole = heights.reduce((sum, h) => sum + Math.sqrt(h), 0);
  const nodes: PathNode[] = [];
  let x = -length / 2;
  for (const h of heights) {
    const wide = whole > 0 ? (length * Math.sqrt(h)) / whole : length / heights.length;
    // A parabola's one control point lies twice as high as it does itself; a cubic's two are two thirds of the way there.
    const reach: Vec = [wide / 3, (-4 * h) / 3];
    const last = nodes[nodes.length - 1];
    if (last) nodes[nodes.length - 1] = { ...last, out: reach };
    else nodes.push({ x, y: 0, out: reach });
    x += wide;
    nodes.push({ x, y: 0, in: [-reach[0], reach[1]] });
  }
  return nodes;
}

function ellipse(rx: number, ry: number): PathNode[] {
  const at = (x: number, y: number, hx: number, hy: number): PathNode => ({ x, y, in: [-hx, -hy], out: [hx, hy] });
  return [
    at(rx, 0, 0, ry * QUARTER),
    at(0, ry, -rx * QUARTER, 0),
    at(-rx, 0, 0, -ry * QUARTER),
    at(0, -ry, rx * QUARTER, 0),
  ];
}

/** A quarter at most for each span: handles of 4/3 · tan(θ/4), a hair shorter as in a circle. */
function arc(radius: number, from: number, sweep: number): PathNode[] {
  const pieces = Math.max(1, Math.ceil(Math.abs(sweep) / 90 - 1e-9));
  const step = (sweep / pieces) * (Math.PI / 180);
  const reach = (4 / 3) * Math.tan(step / 4) * radius * (QUARTER / ((4 / 3) * (Math.SQRT2 - 1)));
  return Array.from({ length: pieces + 1 }, (_, i) => {
    const a = (from * Math.PI) / 180 + i * step;
    const h: Vec = [-Math.sin(a) * reach, Math.cos(a) * reach];
    return {
      x: radius * Math.cos(a),
      y: radius * Math.sin(a),
      ...(i > 0 ? { in: multiply(h, -1) } : {}),
      ...(i < pieces ? { out: h } : {}),
    };
  });
}

function rectangle(w: number, h: number, radius: number): PathNode[] {
  const r = Math.min(Math.max(radius, 0), w, h);
  if (r === 0)
    return [
      { x: -w, y: -h },
      { x: w, y: -h },
      { x: w, y: h },
      { x: -w, y: h },
    ];
  const k = r * QUARTER;
  const nodes: PathNode[] = [
    { x: -w + r, y: -h, in: [-k, 0] },
    { x: w - r, y: -h, out: [k, 0] },
    { x: w, y: -h + r, in: [0, -k] },
    { x: w, y: h - r, out: [0, k] },
    { x: w - r, y: h, in: [k, 0] },
    { x: -w + r, y: h, out: [-k, 0] },
    { x: -w, y: h - r, in: [0, k] },
    { x: -w, y: -h + r, out: [0, -k] },
  ];
  return mergedNodes(nodes);
}

/** Neighbours that stand at one place are one node. */
function mergedNodes(nodes: readonly PathNode[]): PathNode[] {
  const kept: PathNode[] = [];
  for (const node of nodes) {
    const last = kept[kept.length - 1];
    if (last && Math.hypot(last.x - node.x, last.y - node.y) < 1e-9)
      kept[kept.length - 1] = { ...last, ...(node.out ? { out: node.out } : {}) };
    else kept.push(node);
  }
  const first = kept[0];
  const last = kept[kept.length - 1];
  if (kept.length > 1 && first && last && Math.hypot(last.x - first.x, last.y - first.y) < 1e-9) {
    kept.pop();
    kept[0] = { ...first, ...(last.in ? { in: last.in } : {}) };
  }
  return kept;
}

/** The first corner at the top. */
const polygon = (sides: number, radius: number): PathNode[] =>
  Array.from({ length: Math.max(3, Math.round(sides)) }, (_, i) => {
    const a = (2 * Math.PI * i) / Math.max(3, Math.round(sides)) - Math.PI / 2;
    return { x: radius * Math.cos(a), y: radius * Math.sin(a) };
  });

type Curve = (u: number) => { at: Vec; slope: Vec };

/** Samples of a curve between two joints for the fit of one cubic. */
const SAMPLES = 32;

/** A curve given by a formula, with a node at each joint: one cubic of least squares between two of them, tangents exact. */
function along(curve: Curve, joints: readonly number[]): PathNode[] {
  const sample = (u: number): Sample => {
    const { at, slope } = curve(u);
    const size = Math.hypot(slope[0], slope[1]) || 1;
    return { x: at[0], y: at[1], tangentX: slope[0] / size, tangentY: slope[1] / size };
  };
  const nodes: PathNode[] = [];
  for (let i = 0; i + 1 < joints.length; i++) {
    const a = joints[i] ?? 0;
    const b = joints[i + 1] ?? 1;
    const samples = Array.from({ length: SAMPLES + 1 }, (_, k) => sample(a + ((b - a) * k) / SAMPLES));
    const first = samples[0];
    const last = samples[SAMPLES];
    const fit = fitOneCubic(samples);
    if (!first || !last || !fit) continue;
    const before = nodes.pop() ?? { x: first.x, y: first.y };
    nodes.push({ ...before, out: fit.out }, { x: last.x, y: last.y, in: fit.in });
  }
  return nodes;
}

const steps = (from: number, to: number, count: number): number[] =>
  Array.from({ length: count + 1 }, (_, i) => from + ((to - from) * i) / count);

/** A sine from left to right, first upwards; four spans to a wave. */
function wave(length: number, height: number, waves: number): PathNode[] {
  const w = (2 * Math.PI * waves) / (length || 1);
  const curve: Curve = (u) => ({
    at: [u - length / 2, (-height / 2) * Math.sin(w * u)],
    slope: [1, (-height / 2) * w * Math.cos(w * u)],
  });
  return along(curve, steps(0, length, Math.max(1, Math.round(4 * waves))));
}

/** An even spiral from the inner radius to the outer, clockwise; six spans to a turn. */
function spiral(inner: number, outer: number, turns: number): PathNode[] {
  const end = 2 * Math.PI * turns;
  const curve: Curve = (u) => {
    const r = inner + ((outer - inner) * u) / (end || 1);
    const dr = (outer - inner) / (end || 1);
    return {
      at: [r * Math.cos(u), r * Math.sin(u)],
      slope: [dr * Math.cos(u) - r * Math.sin(u), dr * Math.sin(u) + r * Math.cos(u)],
    };
  };
  return along(curve, steps(0, end, Math.max(2, Math.ceil(6 * Math.abs(turns)))));
}

/** A lying eight: x = w · sin u, y = h · sin 2u (a Lissajous figure), begun at its right end; eight spans. */
function eight(w: number, h: number): PathNode[] {
  const curve: Curve = (u) => ({
    at: [w * Math.cos(u), h * Math.sin(2 * u)],
    slope: [-w * Math.sin(u), 2 * h * Math.cos(2 * u)],
  });
  return mergedNodes(along(curve, steps(0, 2 * Math.PI, 12)));
}

/** A line with loops (a prolate cycloid): the way of a fly. Six spans to a loop. */
function loops(length: number, radius: number, count: number): PathNode[] {
  const end = 2 * Math.PI * Math.max(1, Math.round(count));
  const drift = length / end;
  const curve: Curve = (u) => ({
    at: [drift * u - length / 2 - radius * Math.sin(u), radius * Math.cos(u) - radius],
    slope: [drift - radius * Math.cos(u), -radius * Math.sin(u)],
  });
  return along(curve, steps(-Math.PI, end + Math.PI, Math.max(1, Math.round(count)) * 8 + 8)).slice();
}
