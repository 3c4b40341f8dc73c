import Papa from 'papaparse';
import { add, distanceBetween, multiply, subtract, type PathNode, type Vec } from '../geometry/index.ts';

export type PointsResult =
  | { readonly ok: true; readonly points: readonly Vec[]; readonly skipped: readonly string[] }
  | { readonly ok: false; readonly message: string };

/** Points that a list may have: of more than a guide has nodes, a curve near them is made. */
const MOST_POINTS = 2_000_000;

/** What was passed over is named so often. */
const MOST_SKIPPED = 100;

/**
 * Reads points from text: a pair of numbers a line (comma, semicolon, tab or spaces between; further columns are passed over), or all on one line: a run of numbers, pairs between
 * semicolons, pairs in brackets. A first line of words is a heading. A line that is no pair is named; nothing is thrown.
 */
export function pointsFromText(given: string): PointsResult {
  const text = unbracketed(given);
  const points: Vec[] = [];
  const skipped: string[] = [];
  const rows = rowsOf(text);
  let isFirst = true;
  for (const [i, row] of rows.entries()) {
    const line = row.join(' ').trim();
    if (line === '' || line.startsWith('#')) continue;
    const numbers = leadingNumbers(row);
    if (numbers.length >= 2) {
      const isRun = rows.length === 1 && numbers.length > 3 && numbers.length % 2 === 0;
      for (let k = 0; k + 1 < (isRun ? numbers.length : 2); k += 2) points.push([numbers[k] ?? 0, numbers[k + 1] ?? 0]);
    } else if (skipped.length < MOST_SKIPPED && !(isFirst && /[a-z]/i.test(line)))
      skipped.push(`line ${i + 1}: "${line.slice(0, 30)}" is no pair of numbers`);
    isFirst = false;
    if (points.length > MOST_POINTS)
      return { ok: false, message: `it has more than ${MOST_POINTS.toLocaleString('en')} points` };
  }
  if (points.length === 0) return { ok: false, message: skipped[0] ?? 'there are no points in it' };
  return { ok: true, points, skipped };
}

/** Pairs that stand in brackets, or between semicolons on one line, as a pair a line. */
function unbracketed(given: string): string {
  const text = given.trim();
  // Brackets, and numbers with what stands between them: nothing else.
  if (/^[[({]/.test(text) && !/[^\s\d.,;eE+\-[\](){}]/.test(text))
    return text
      .replace(/[\](}]\s*[,;]?\s*[[(){]*/g, '\n')
      .replace(/[[\](){}]/g, '')
      .trim();
  const parts = text.includes('\n') ? [] : text.split(';').map((part) => part.trim());
  // Two numbers with decimal commas are one point.
  const isPairs =
    parts.length > 2 && parts.every((part) => part === '' || /^[^,\s]+(?:\s*,\s*|\s+)[^,\s]+$/.test(part));
  return isPairs ? parts.filter(Boolean).join('\n') : given;
}

/** Whether a text is a list of points and nothing else, as it may be pasted: pairs a line, or at least two on one line. */
export function isPointList(given: string): boolean {
  const text = unbracketed(given).trim();
  const lines = text.split(/\r?\n/);
  if (lines.length > 1) return lines.every((line) => /^\s*"?[-+.\d][^a-df-z]*$/i.test(line));
  const numbers = text.split(/[\s,;]+/);
  if (numbers.length < 4 || numbers.length % 2 > 0 || leadingNumbers(numbers).length < numbers.length) return false;
  const read = pointsFromText(given);
  return read.ok && read.points.length > 1;
}

/** The cells of each line. Between semicolons or tabs a comma is a decimal comma; else commas and spaces part numbers. */
function rowsOf(text: string): string[][] {
  const delimiter = text.includes('\t') ? '\t' : text.includes(';') ? ';' : ',';
  const { data } = Papa.parse<string[]>(text.replace(/^\uFEFF/, '').trimEnd(), { delimiter });
  return data.map((row) =>
    delimiter === ','
      ? row.flatMap((cell) => cell.trim().split(/\s+/))
      : row.map((cell) => cell.trim().replace(',', '.')),
  );
}

/** The numbers that a line begins with. */
function leadingNumbers(cells: readonly string[]): number[] {
  const end = cells.findIndex((cell) => !/^[+-]?(?:\d+\.?\d*|\.\d+)(?:e[+-]?\d+)?$/i.test(cell));
  return (end < 0 ? cells : cells.slice(0, end)).map(Number);
}

/**
 * Nodes through every point. `roundness` 0: straight lines and exact corners; 1: a smooth curve, each tangent parallel to the line between its
 * neighbours (Catmull and Rom, 1974), handles a third of the way to each; between the two, shorter handles.
 */
export function nodesThrough(points: readonly Vec[], roundness: number, closed: boolean): PathNode[] {
  const apart = points.filter((p, i) => i === 0 || distanceBetween(p, points[i - 1] ?? p) > 1e-9);
  const first = apart[0];
  const final = apart[apart.length - 1];
  if (closed && apart.length > 2 && first && final && distanceBetween(first, final) <= 1e-9) apart.pop();
  const count = apart.length;
  return apart.map((p, i): PathNode => {
    const before = apart[i - 1] ?? (closed ? apart[count - 1] : undefined);
    const after = apart[i + 1] ?? (closed ? apart[0] : undefined);
    const plain: PathNode = { x: p[0], y: p[1] };
    if (roundness <= 0 || count < 3) return plain;
    if (!before && after) return { ...plain, out: multiply(subtract(after, p), roundness / 3) };
    if (!after && before) return { ...plain, in: multiply(subtract(before, p), roundness / 3) };
    if (!before || !after) return plain;
    const chord = subtract(after, before);
    const size = Math.hypot(chord[0], chord[1]);
    const tangent: Vec =
      size > 1e-9 ? multiply(chord, 1 / size) : multiply(subtract(after, p), 1 / (distanceBetween(after, p) || 1));
    return {
      ...plain,
      in: multiply(tangent, (-roundness * distanceBetween(before, p)) / 3),
      out: multiply(tangent, (roundness * distanceBetween(after, p)) / 3),
    };
  });
}

/** Points moved and scaled evenly so that their bounds fill a canvas but for a margin (a share of its smaller side). */
export function fittedTo(points: readonly Vec[], width: number, height: number, margin = 0.1): Vec[] {
  const xs = points.map(([x]) => x);
  const ys = points.map(([, y]) => y);
  const least = (list: readonly number[]): number => list.reduce((a, b) => Math.min(a, b), Infinity);
  const most = (list: readonly number[]): number => list.reduce((a, b) => Math.max(a, b), -Infinity);
  const [left, right, top, bottom] = [least(xs), most(xs), least(ys), most(ys)];
  const edge = margin * Math.min(width, height);
  const scale = Math.min((width - 2 * edge) / (right - left || 1e-9), (height - 2 * edge) / (bottom - top || 1e-9));
  const sized = Number.isFinite(scale) && right - left + (bottom - top) > 0 ? scale : 1;
  return points.map((p) =>
    add([width / 2, height / 2], multiply(subtract(p, [(left + right) / 2, (top + bottom) / 2]), sized)),
  );
}
