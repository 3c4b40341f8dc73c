import { distanceOfPlace, type Behind } from '../../scene/index.ts';
import { timesOfLocals } from '../../time/index.ts';
import { passings } from '../passings.ts';
import type { PreparedRider } from '../prepared-rider.ts';
import { SLOT } from '../slots.ts';
import { noEvents, type PoseStageMaker } from '../stage.ts';

/** A stretch behind another rider: from a place of the guide to another, px, or from a local time to another, s. */
interface Stretch {
  readonly from: number;
  readonly to: number;
  readonly byTime: boolean;
}

/** Which of its stretches behind others a rider is in. */
export const behindStage: PoseStageMaker = (prepared) => {
  const { rider, way } = prepared;
  const stretches = rider.behind.map((one) => stretchOf(one, prepared));
  if (stretches.every((one) => one === undefined)) return undefined;
  const round = way?.path.isClosed && way.path.length > 0 ? way.path.length : Infinity;
  const count = stretches.length;
  return {
    run({ row }) {
      if (row[SLOT.held] === 1) return;
      row[SLOT.under] = 0;
      for (let i = count - 1; i >= 0; i--) {
        const one = stretches[i];
        if (!one) continue;
        let at = row[SLOT.local] ?? 0;
        if (!one.byTime) {
          at = (row[SLOT.distance] ?? 0) + (row[SLOT.lead] ?? 0);
          if (round !== Infinity) at -= Math.floor(at / round) * round;
        }
        // Where its end lies before its beginning, it goes on over the start of the guide or the cycle.
        const isIn = one.from <= one.to ? at >= one.from && at < one.to : at >= one.from || at < one.to;
        if (isIn) row[SLOT.under] = i + 1;
      }
    },
    varies: [],
    events: noEvents,
    switches: true,
    steps(from, to) {
      const all = stretches.filter((one) => one !== undefined);
      const ends = (byTime: boolean): number[] =>
        all.flatMap((one) => (one.byTime === byTime ? [one.from, one.to] : []));
      const jumps = [0, prepared.folding.cycle, ...(way?.line.events() ?? [])];
      return [
        ...timesOfLocals(prepared.folding, [...ends(true), ...jumps], from, to),
        ...passings(prepared, { places: ends(false), round }, from, to),
      ];
    },
  };
};

/** Undefined where it never is: between places of no guide. */
function stretchOf(one: Behind, { rider, way }: PreparedRider): Stretch | undefined {
  if (one.by === 'marks') {
    const timeOf = (id: string): number => rider.pace.marks.find((mark) => mark.id === id)?.time ?? 0;
    return { from: timeOf(one.from), to: timeOf(one.to), byTime: true };
  }
  if (!way || !(way.path.length > 0)) return undefined;
  const { guide, path } = way;
  const placed = [distanceOfPlace(guide, path, one.from), distanceOfPlace(guide, path, one.to)] as const;
  if (!path.isClosed) return { from: Math.min(...placed), to: Math.max(...placed), byTime: false };
  const [from, to] = placed.map((s) => s - Math.floor(s / path.length) * path.length);
  return { from: from ?? 0, to: to ?? 0, byTime: false };
}
