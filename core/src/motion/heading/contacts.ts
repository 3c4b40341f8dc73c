import { angleOfFrame, emptyFrame, type Frame, type Path } from '../../geometry/index.ts';
import { AngleTable } from '../angle-table.ts';
import { liftsBy } from '../lifting.ts';
import { footMoves } from '../prepared-rider.ts';
import { SLOT } from '../slots.ts';
import { noEvents } from '../stage.ts';
import type { HeadingMode } from './mode.ts';

/** px. The straight distance of the contacts is kept within this. */
const BASE_TOLERANCE = 1e-9;

/** Steps in which the rear contact is looked for. */
const MOST_STEPS = 500;

/** The rear contact is looked for as far back as this many times the base. */
const FARTHEST = 4;

/**
 * Where both contacts are on a path: the front one half the base along it from a distance, the rear one at the first place back from there that is the base away in a
 * straight line. A chord is never longer than its arc, so a step as long as what is missing leads past no such place.
 */
class Contacts {
  readonly front: Frame = emptyFrame();
  readonly rear: Frame = emptyFrame();
  readonly #middle: Frame = emptyFrame();
  readonly #path: Path;
  readonly #base: number;
  readonly #farthest: number;

  constructor(path: Path, base: number) {
    this.#path = path;
    this.#base = base;
    this.#farthest = path.isClosed ? Math.min(FARTHEST * base, path.length) : FARTHEST * base;
  }

  /** Finds both for the distance in `middle[at]`, px. */
  find(middle: Float64Array, at: number): void {
    const { front, rear } = this;
    const path = this.#path;
    const base = this.#base;
    front.distance = (middle[at] ?? 0) + base / 2;
    path.locate(front, 1);
    let back = base;
    for (let i = 0; i < MOST_STEPS; i++) {
      if (back > this.#farthest) break;
      rear.distance = front.distance - back;
      path.locate(rear, 1);
      const dx = front.x - rear.x;
      const dy = front.y - rear.y;
      const missing = base - Math.sqrt(dx * dx + dy * dy);
      if (missing <= BASE_TOLERANCE) return;
      back += missing;
    }
    rear.distance = front.distance - base;
    path.locate(rear, 1);
  }

  /** Puts the angle of the line from the rear to the front into `row[into]`, rad, by whole turns nearest to the tangent midway. */
  angle(row: Float64Array, at: number, into: number): void {
    const { front, rear } = this;
    const middle = this.#middle;
    middle.distance = row[at] ?? 0;
    this.#path.locate(middle, 1);
    const tangent = angleOfFrame(middle);
    const chord = Math.atan2(front.y - rear.y, front.x - rear.x);
    row[into] = chord + 2 * Math.PI * Math.round((tangent - chord) / (2 * Math.PI));
  }
}

/** The angle of the contacts over a path, for its averages. */
function tableOf(path: Path, base: number): AngleTable {
  const contacts = new Contacts(path, base);
  const work = new Float64Array(2);
  const angleAt = (s: number): number => {
    work[0] = s;
    contacts.find(work, 0);
    contacts.angle(work, 0, 1);
    return work[1] ?? 0;
  };
  const [from, to] = path.isClosed ? [0, path.length] : [-FARTHEST * base, path.length + FARTHEST * base];
  const inner = [...path.starts].flatMap((s) => [s - base / 2, s + base / 2]).filter((s) => s > from && s < to);
  const breaks = [...new Set([from, ...inner, to])].sort((a, b) => a - b);
  return new AngleTable(angleAt, { breaks, winding: path.isClosed ? path.winding : undefined });
}

/** Faces from a rear contact to a front one, both on the guide: the pivot's foot is midway between them. */
export const contacts: HeadingMode = {
  mode: 'contacts',
  parked: false,
  turns: true,
  reverses: true,
  aim: ({ prepared }) => {
    const { way, rider } = prepared;
    if (!way) return undefined;
    const { base, smooth } = rider.heading;
    const both = new Contacts(way.path, base);
    const table = smooth > 0 ? tableOf(way.path, base) : undefined;
    const work = new Float64Array(2);
    const isUp = liftsBy(prepared) === 'up';
    const [shiftX, shiftY] = rider.shift;
    return {
      run({ row }) {
        work[0] = (row[SLOT.distance] ?? 0) + (row[SLOT.lead] ?? 0);
        both.find(work, 0);
        both.angle(work, 0, 1);
        const angle = work[1] ?? 0;
        const lift = row[SLOT.lift] ?? 0;
        row[SLOT.x] = (both.front.x + both.rear.x) / 2 + (isUp ? 0 : lift * Math.sin(angle)) + shiftX;
        row[SLOT.y] = (both.front.y + both.rear.y) / 2 - lift * (isUp ? 1 : Math.cos(angle)) + shiftY;
        if (table) table.average(work, 0, 1, smooth);
        row[SLOT.toward] = work[1] ?? 0;
      },
      varies: footMoves(prepared) ? ['x', 'y', 'angle'] : [],
      events: noEvents,
    };
  },
};
