import { z } from '../../zod.ts';
import type { PathNode } from '../../geometry/index.ts';
import { prepare } from '../../motion/index.ts';
import { pathOfGuide, type Guide, type Rider, type Scene } from '../../scene/index.ts';
import { boundRounds, reducedCurve, type Point } from '../../take/index.ts';
import type { Format } from '../format.ts';
import { pathData } from '../path-data.ts';
import { writeFile } from '../sink.ts';
import { cssComment, cssName, fileStem, formatNumber } from '../text.ts';

const options = z.object({
  tolerance: z.number().min(0.01).max(20).default(0.25).describe('Tolerance of the pace, px'),
});

/** Longest step between two looks, s. */
const STEP = 1 / 120;

/** The pace of every rider as an easing of CSS, with its guide and its length of time: for motion paths and transitions of one’s own. */
export const paceCss: Format<'scene', typeof options> = {
  id: 'pace-css',
  name: 'Pace as CSS',
  group: 'data',
  about: 'Each rider’s pace as an easing, its guide as a motion path: to put on elements of one’s own.',
  extension: 'css',
  type: 'text/css',
  options,
  needs: 'scene',
  holds: [],
  write: (scene, { tolerance }, sink) =>
    writeFile(sink, `${fileStem(scene.name)}-pace.css`, 'text/css', textOfScene(scene, tolerance)),
};

function textOfScene(scene: Scene, tolerance: number): string {
  const guides = new Map(scene.guides.map((guide) => [guide.id, guide]));
  const taken = new Set<string>();
  const rules = scene.riders.flatMap((rider) => {
    const guide = guides.get(rider.guide ?? '');
    if (!rider.output || !guide || !(pathOfGuide(guide).length > 0)) return [];
    const stem = cssName(rider.name);
    let name = stem;
    for (let n = 2; taken.has(name); n++) name = `${stem}-${n}`;
    taken.add(name);
    return [ruleOf(scene, rider, guide, name, tolerance)];
  });
  return `/* ${cssComment(scene.name)}: paces for motion along a path. Set offset-distance from 0% to 100% of the way with the easing. */\n${rules.join('')}`;
}

/** px by which a way is longer than what goes beyond its end: nothing stops there. */
const BEYOND = 1;

/** A guide's way as an element goes it: an open one longer at both ends, straight on, where a rider goes beyond them. */
interface LongWay {
  readonly nodes: readonly PathNode[];
  /** px before its start, and of all of it. */
  readonly before: number;
  readonly length: number;
}

function lengthened(guide: Guide, pieces: readonly (readonly Point[])[]): LongWay {
  const path = pathOfGuide(guide);
  const { length } = path;
  const values = pieces.flat().map(({ value }) => value);
  const beyond = (px: number): number => (guide.closed || px <= 0 ? 0 : px + BEYOND);
  const before = beyond(-values.reduce((least, one) => Math.min(least, one), Infinity));
  const after = beyond(values.reduce((most, one) => Math.max(most, one), -Infinity) - length);
  if (before === 0 && after === 0) return { nodes: guide.nodes, before, length };
  const at = (distance: number): PathNode => {
    const { x, y } = path.frameAtDistance(distance);
    return { x, y };
  };
  const straight = ({ x, y, in: into, out }: PathNode, ends: 'in' | 'out'): PathNode => ({
    ...{ x, y },
    ...(into && ends !== 'in' ? { in: into } : {}),
    ...(out && ends !== 'out' ? { out } : {}),
  });
  const nodes: PathNode[] = [...guide.nodes];
  const [first, last] = [nodes[0], nodes[nodes.length - 1]];
  if (first && before > 0) nodes.splice(0, 1, at(-before), straight(first, 'in'));
  if (last && after > 0) nodes.splice(-1, 1, straight(last, 'out'), at(length + after));
  return { nodes, before, length: length + before + after };
}

function ruleOf(scene: Scene, rider: Rider, guide: Guide, name: string, tolerance: number): string {
  const moving = prepare(scene).rider(rider.id);
  const length = prepare(scene).length;
  const whole = pathOfGuide(guide).length;
  if (moving) boundRounds(moving, length);
  const at = (time: number, side: 1 | -1): number => moving?.footAt(time, side) ?? 0;
  const [from, to] = [at(0, 1), at(length, -1)];
  const way = Math.abs(to - from) > 1e-6 ? to - from : whole;
  const events = moving?.events(0, length) ?? [0, length];
  const pieces = events.slice(1).map((end, i): Point[] => {
    const start = events[i] ?? 0;
    const steps = Math.max(2, Math.ceil((end - start) / STEP));
    return Array.from({ length: steps + 1 }, (_, k) => {
      const time = k === steps ? end : start + ((end - start) * k) / steps;
      return { time, value: at(time, k === steps ? -1 : 1) };
    });
  });
  const long = lengthened(guide, pieces);
  const curve = reducedCurve(pieces, { tolerance, grid: tolerance / 10, cubic: false });
  const stops = curve.map(
    ({ time, value }) => `${formatNumber((value - from) / way, 5)} ${formatNumber((100 * time) / length, 3)}%`,
  );
  const share = (distance: number): string => formatNumber((100 * (long.before + distance)) / long.length, 5);
  return (
    `\n/* ${cssComment(rider.name)} along ${cssComment(guide.name)}: ${formatNumber(whole, 2)} px in ${formatNumber(length, 3)} s */\n` +
    `.${name} {\n  --pace: linear(${stops.join(', ')});\n` +
    `  offset-path: path("${pathData(long.nodes, guide.closed)}");\n` +
    `  animation: ${name}-pace ${formatNumber(length, 4)}s var(--pace) ${scene.clock.repeat === 'once' ? '1 both' : scene.clock.times === null ? 'infinite' : `${scene.clock.times} both`};\n}\n` +
    `@keyframes ${name}-pace {\n  from { offset-distance: ${share(from)}%; }\n  to { offset-distance: ${share(from + way)}%; }\n}\n`
  );
}
