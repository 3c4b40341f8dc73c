import { prepare } from '../motion/index.ts';
import { frameCount, nameOfNode, pathOfGuide, ridersOf, sentFrames, type Scene } from '../scene/index.ts';
import { cutsAtWraps } from '../time/index.ts';

/** A mark on a sheet: s of the loop, px along the guide, s of rest. */
export interface SheetMark {
  readonly time: number;
  readonly distance: number;
  readonly dwell: number;
}

/** One rider's pace over the loop. */
export interface SheetLine {
  readonly name: string;
  /** Unbroken stretches of time, s, with the distance along the guide then, px. */
  readonly stretches: readonly (readonly (readonly [time: number, distance: number])[])[];
  /** Speed along the guide, px/s, at even steps of the loop. */
  readonly speeds: readonly number[];
  readonly marks: readonly SheetMark[];
  /** Distance at a frame, px, as it is counted: laps and what lies beyond the ends included. */
  readonly distanceAt: (frame: number) => number;
}

/** A guide with all that rides it. */
export interface SheetRoute {
  readonly name: string;
  readonly color: string;
  /** px. */
  readonly length: number;
  readonly nodes: readonly { readonly name: string; readonly distance: number }[];
  readonly lines: readonly SheetLine[];
}

/** The pace of a scene, for what writes it down: sheets and lists of exposures. */
export interface Sheets {
  readonly name: string;
  /** Seconds. */
  readonly length: number;
  readonly count: number;
  readonly timeOf: (frame: number) => number;
  readonly routes: readonly SheetRoute[];
}

/** Looks at a line over the loop. */
const LOOKS = 400;

/** The paces of all riders that are sent, by their guides. */
export function sheetsOf(scene: Scene): Sheets {
  const motion = prepare(scene);
  const { length } = motion;
  const count = sentFrames(scene.clock);
  const steps = frameCount(scene.clock);
  const timeOf = (frame: number): number => (frame * length) / steps;
  const routes = scene.guides.flatMap((guide): SheetRoute[] => {
    const path = pathOfGuide(guide);
    const lines = ridersOf(scene, guide.id).flatMap((rider): SheetLine[] => {
      const moving = motion.rider(rider.id);
      if (!rider.output || !moving) return [];
      const cuts = cutsAtWraps(moving.folding, 0, length);
      const stretches = cuts.slice(1).map((to, i) => {
        const from = cuts[i] ?? 0;
        const looks = Math.max(1, Math.round((LOOKS * (to - from)) / length));
        return Array.from({ length: looks + 1 }, (_, k) => {
          const time = k === looks ? to : from + ((to - from) * k) / looks;
          return [time, moving.distanceAt(time, k === looks ? -1 : 1)] as const;
        });
      });
      const speeds = Array.from({ length: LOOKS + 1 }, (_, k) => {
        const speed = moving.speedAt((length * k) / LOOKS, k === LOOKS ? -1 : 1);
        return Number.isFinite(speed) ? speed : 0;
      });
      const marks = rider.pace.marks.flatMap(({ time, dwell }): SheetMark[] => {
        const shown = time + moving.folding.delay;
        if (shown < 0 || shown > length) return [];
        const distance = moving.distanceAt(shown, shown < length ? 1 : -1);
        return [{ time: shown, distance, dwell: Math.min(dwell, length - shown) }];
      });
      return [{ name: rider.name, stretches, speeds, marks, distanceAt: (i) => moving.distanceAt(timeOf(i)) }];
    });
    const nodes = guide.nodes.map((node, i) => ({
      name: nameOfNode(guide, node.id),
      distance: path.starts[i] ?? path.length,
    }));
    const [first] = nodes;
    if (guide.closed && first) nodes.push({ ...first, distance: path.length });
    return lines.length > 0 ? [{ name: guide.name, color: guide.color, length: path.length, nodes, lines }] : [];
  });
  return { name: scene.name, length, count, timeOf, routes };
}
