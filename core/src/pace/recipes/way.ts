import { emptyFrame, type Path } from '../../geometry/index.ts';

/** A place that the way must touch: px along the guide, s of rest there. */
export interface Station {
  readonly distance: number;
  readonly dwell: number;
}

/** A way along a guide from station to station, looked at in short steps. */
export interface Way {
  readonly path: Path;
  readonly distances: Float64Array;
  /** px covered since the way's start. */
  readonly covered: Float64Array;
  /** s of rest at each place. */
  readonly rests: Float64Array;
  /** Indexes of the stations, in order. */
  readonly stations: readonly number[];
  /** The way ends where it began, on a loop: what comes after it is its start. */
  readonly isRound: boolean;
}

/** px. Longest step between two looks. */
const STEP = 1.5;

/** Fewest and most looks between two places where the way is not smooth. */
const [FEWEST, MOST] = [24, 2500];

/** Looks at the way between stations; `isRound` where it closes in a loop. */
export function wayAlong(path: Path, stations: readonly Station[], isRound: boolean): Way {
  const places: number[] = [];
  const rests: number[] = [];
  const at: number[] = [];
  stations.forEach(({ distance, dwell }, i) => {
    const before = stations[i - 1]?.distance;
    const edges = before === undefined ? [] : [before, ...cornersBetween(path, before, distance), distance];
    for (let e = 0; e + 1 < edges.length; e++) {
      const [from = 0, to = 0] = [edges[e], edges[e + 1]];
      const looks = Math.min(MOST, Math.max(FEWEST, Math.ceil(Math.abs(to - from) / STEP)));
      for (let k = e === 0 ? 1 : 0; k < looks && to !== from; k++) {
        places.push(from + ((to - from) * k) / looks);
        rests.push(0);
      }
    }
    at.push(places.length);
    places.push(distance);
    rests.push(dwell);
  });
  const count = places.length;
  const way = {
    path,
    distances: Float64Array.from(places),
    covered: new Float64Array(count),
    rests: Float64Array.from(rests),
    stations: at,
    isRound,
  };
  for (let i = 1; i < count; i++)
    way.covered[i] = (way.covered[i - 1] ?? 0) + Math.abs((places[i] ?? 0) - (places[i - 1] ?? 0));
  return way;
}

/** px of a guide over which its bend is taken: a corner is gone round as if it were as long. */
const BEND_LENGTH = 6;

/** The corners that are passed between two distances, in the order in which they are: speeds change their slope there. */
function cornersBetween(path: Path, from: number, to: number): number[] {
  const [low, high] = [Math.min(from, to), Math.max(from, to)];
  const { length } = path;
  const [firstLap, lastLap] =
    path.isClosed && length > 0 ? [Math.floor(low / length), Math.floor(high / length)] : [0, 0];
  const found: number[] = [];
  for (let lap = firstLap; lap <= lastLap; lap++)
    for (const corner of path.corners()) {
      const distance = corner + lap * length;
      if (distance > low && distance < high) found.push(distance);
    }
  return to < from ? found.reverse() : found;
}

/** How much the guide bends at each place, 1/px: the angle between its tangents 3 px before and 3 px after, over those 6. */
export function bendsOf({ path, distances }: Way): Float64Array {
  const before = emptyFrame();
  const after = emptyFrame();
  return distances.map((distance) => {
    path.frameAtDistance(distance - BEND_LENGTH / 2, 1, before);
    path.frameAtDistance(distance + BEND_LENGTH / 2, 1, after);
    const cross = before.tangentX * after.tangentY - before.tangentY * after.tangentX;
    return (
      Math.abs(Math.atan2(cross, before.tangentX * after.tangentX + before.tangentY * after.tangentY)) / BEND_LENGTH
    );
  });
}

/** Where each place is against `down` (degrees clockwise from right; 90 is down the canvas), px: how high, and how far across. */
export function heightsOf(
  { path, distances }: Way,
  down: number,
): { readonly heights: Float64Array; readonly across: Float64Array } {
  const angle = (down * Math.PI) / 180;
  const [dx, dy] = [Math.cos(angle), Math.sin(angle)];
  const heights = new Float64Array(distances.length);
  const across = new Float64Array(distances.length);
  const frame = emptyFrame();
  for (let i = 0; i < distances.length; i++) {
    path.frameAtDistance(distances[i] ?? 0, 1, frame);
    heights[i] = -(frame.x * dx + frame.y * dy);
    across[i] = frame.x * dy - frame.y * dx;
  }
  return { heights, across };
}

/** Whether the way stops at a place: it rests there, or turns back. */
export function stopsAt({ distances, rests }: Way, i: number): boolean {
  if ((rests[i] ?? 0) > 0) return true;
  const [before, here, after] = [distances[i - 1], distances[i] ?? 0, distances[i + 1]];
  return before !== undefined && after !== undefined && (here - before) * (after - here) < 0;
}
