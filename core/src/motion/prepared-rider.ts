import type { Path } from '../geometry/index.ts';
import { PaceLine, type DistanceLine } from '../pace/index.ts';
import {
  distanceOfPlace,
  foldingOf,
  pathOfGuide,
  type Art,
  type Clock,
  type Guide,
  type Rider,
} from '../scene/index.ts';
import type { Folding } from '../time/index.ts';

/** A rider with what it refers to looked up: the input of the stages. Art lends it the pivot and the facing, nothing else. */
export interface PreparedRider {
  readonly rider: Rider;
  readonly art: Art | undefined;
  readonly folding: Folding;
  /** Null when parked. */
  readonly way: { readonly path: Path; readonly line: DistanceLine } | null;
}

export function preparedRider(
  rider: Rider,
  guide: Guide | undefined,
  art: Art | undefined,
  clock: Clock,
): PreparedRider {
  const folding = foldingOf(rider, clock);
  const way = guide ? { path: pathOfGuide(guide), line: lineOn(guide, rider.pace, folding.repeat === 'loop') } : null;
  return { rider, art, folding, way };
}

const lines = new WeakMap<Rider['pace'], { guide: Guide; line: PaceLine; wraps: boolean }>();

/** The distance line of a pace on a guide; made once for each pair of them. */
function lineOn(guide: Guide, pace: Rider['pace'], wraps: boolean): PaceLine {
  const known = lines.get(pace);
  if (known && known.guide === guide && known.wraps === wraps) return known.line;
  const path = pathOfGuide(guide);
  const line = new PaceLine(
    pace.marks.map(({ time, dwell, place, ease }) => ({
      time,
      dwell,
      distance: distanceOfPlace(guide, path, place),
      ease,
    })),
    wraps,
  );
  lines.set(pace, { guide, line, wraps });
  return line;
}
