import SvgPath from 'svgpath';
import type { PathNode, Vec } from '../geometry/index.ts';
import { ARC_TOLERANCE } from '../tolerances.ts';
import { cubicsOfArc } from './arc.ts';

/** One subpath read from path data. */
export interface Outline {
  readonly nodes: readonly PathNode[];
  readonly closed: boolean;
}

export type PathDataResult =
  { readonly ok: true; readonly outlines: readonly Outline[] } | { readonly ok: false; readonly message: string };

/** Characters of path data: more than the nodes that a guide can hold. */
const LONGEST_DATA = 1_000_000;

/** Numbers of each command. */
const COUNTS: Readonly<Record<string, number>> = { m: 2, l: 2, h: 1, v: 1, c: 6, s: 4, q: 4, t: 2, a: 7 };

/** Characters of one command from which on it is spelled out: the path library takes long lists of numbers apart from the front, each time all of them. */
const LONG = 2000;

/** Path data in which long lists of numbers have a command before each of their steps. What does not read is left as it is. */
function spelledOut(d: string): string {
  if (d.length < LONG) return d;
  return d.replace(/[mlhvcsqta][^mlhvcsqtaz]*/gi, (piece) => (piece.length < LONG ? piece : inSteps(piece)));
}

function inSteps(piece: string): string {
  const letter = piece.charAt(0);
  const count = COUNTS[letter.toLowerCase()] ?? 2;
  const number = /[\s,]*([-+]?(?:\d+\.?\d*|\.\d+)(?:[eE][-+]?\d+)?)/y;
  const flag = /[\s,]*([01])/y;
  const steps: string[] = [];
  let at = 1;
  let step: string[] = [];
  for (;;) {
    const isFlag = count === 7 && (step.length === 3 || step.length === 4);
    const pattern = isFlag ? flag : number;
    pattern.lastIndex = at;
    const match = pattern.exec(piece);
    if (!match) break;
    at = pattern.lastIndex;
    step.push(match[1] ?? '');
    if (step.length < count) continue;
    // After the first, a move goes on as lines.
    const again = letter === 'M' ? 'L' : letter === 'm' ? 'l' : letter;
    steps.push(`${steps.length === 0 ? letter : again}${step.join(' ')}`);
    step = [];
  }
  return step.length > 0 || piece.slice(at).trim() !== '' ? piece : steps.join('');
}

/**
 * Reads SVG path data (all commands, absolute and relative) into nodes. Arcs become as many cubics as stay within `arcTolerance` px.
 * Bad data gives a message with the place; nothing is thrown.
 */
export function outlinesFromPathData(d: string, arcTolerance: number = ARC_TOLERANCE): PathDataResult {
  if (d.length > LONGEST_DATA) return { ok: false, message: `the path data is longer than ${LONGEST_DATA} characters` };
  const parsed = SvgPath.from(spelledOut(d));
  const err = (parsed as unknown as { err: string }).err;
  if (err) return { ok: false, message: err };
  const pen = new Pen();
  parsed
    .abs()
    .unshort()
    .iterate(([command, ...numbers]) => follow(pen, command, numbers as number[], arcTolerance));
  pen.finish(false);
  if (pen.outlines.length === 0) return { ok: false, message: 'the path data holds no path' };
  return { ok: true, outlines: pen.outlines };
}

interface Mutable {
  x: number;
  y: number;
  in?: Vec;
  out?: Vec;
}

/** What draws outlines, as path data asks. */
class Pen {
  readonly outlines: Outline[] = [];
  #nodes: Mutable[] = [];
  #start: Vec = [0, 0];

  /** Where it is. */
  get at(): Vec {
    const last = this.#nodes[this.#nodes.length - 1];
    return last ? [last.x, last.y] : this.#start;
  }

  moveTo(to: Vec): void {
    this.finish(false);
    this.#start = to;
  }

  lineTo([x, y]: Vec): void {
    this.begin();
    this.#nodes.push({ x, y });
  }

  curveTo([x1, y1]: Vec, [x2, y2]: Vec, [x, y]: Vec): void {
    const from = this.begin();
    const out: Vec = [x1 - from.x, y1 - from.y];
    const into: Vec = [x2 - x, y2 - y];
    if (out[0] !== 0 || out[1] !== 0) from.out = out;
    this.#nodes.push({ x, y, ...(into[0] !== 0 || into[1] !== 0 ? { in: into } : {}) });
  }

  /** The node that the next piece begins at. */
  begin(): Mutable {
    const last = this.#nodes[this.#nodes.length - 1];
    if (last) return last;
    const node: Mutable = { x: this.#start[0], y: this.#start[1] };
    this.#nodes.push(node);
    return node;
  }

  /** Ends the outline; of a closed one that comes back to where it began, the two nodes there become one. */
  finish(closed: boolean): void {
    const nodes = this.#nodes;
    const [first, last] = [nodes[0], nodes[nodes.length - 1]];
    if (closed && first && last && first !== last && Math.hypot(first.x - last.x, first.y - last.y) < 1e-9) {
      if (last.in) first.in = last.in;
      nodes.pop();
    }
    if (nodes.length > 0) this.outlines.push({ nodes, closed });
    this.#nodes = [];
  }
}

/** One command of path data, absolute and written out. */
function follow(pen: Pen, command: string, numbers: readonly number[], arcTolerance: number): void {
  const v = (i: number): number => numbers[i] ?? 0;
  const [x, y] = pen.at;
  switch (command) {
    case 'M':
      return pen.moveTo([v(0), v(1)]);
    case 'L':
      return pen.lineTo([v(0), v(1)]);
    case 'H':
      return pen.lineTo([v(0), y]);
    case 'V':
      return pen.lineTo([x, v(0)]);
    case 'C':
      return pen.curveTo([v(0), v(1)], [v(2), v(3)], [v(4), v(5)]);
    case 'Q': {
      const third = (a: number, b: number): number => a + (2 / 3) * (b - a);
      return pen.curveTo([third(x, v(0)), third(y, v(1))], [third(v(2), v(0)), third(v(3), v(1))], [v(2), v(3)]);
    }
    case 'A': {
      const arc = { rx: v(0), ry: v(1), degrees: v(2), large: v(3) !== 0, sweep: v(4) !== 0 };
      for (const [p1, p2, p3] of cubicsOfArc([x, y], arc, [v(5), v(6)], arcTolerance)) pen.curveTo(p1, p2, p3);
      return;
    }
    case 'Z':
    case 'z':
      pen.begin();
      return pen.finish(true);
    default:
      throw new Error(`Path command ${command} should have been made absolute`);
  }
}
