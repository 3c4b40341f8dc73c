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
  /** What was seen at the places so far, NaN where nothing was looked at yet: px of the canvas, and 1/px. */
  readonly seen: { readonly x: Float64Array; readonly y: Float64Array; readonly bend: Float64Array };
}

/** px. Longest step between two first looks; where it matters there are more later on. */
const STEP = 3;

/** Fewest and most looks between two places where the way is not smooth. */
const [FEWEST, MOST] = [12, 1250];

/** Looks at the way between stations; `isRound` where it closes in a loop. */
export function wayAlong(path: Path, stations: readonly Station[], isRound: boolean): Way {
  const places: number[] = [];
  const rests: number[] = [];
  const at: number[] = [];
  stations.forEach(({ distance, dwell }, i) => {
    const before = stations[i - 1]?.distance;
    const edges = before === undefined ? [] : [before, ...edgesBetween(path, before, distance), distance];
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
  const unseen = (): Float64Array => new Float64Array(places.length).fill(NaN);
  const seen = { x: unseen(), y: unseen(), bend: unseen() };
  const distances = Float64Array.from(places);
  return {
    ...{ path, distances, isRound, seen },
    covered: coveredOf(distances),
    rests: Float64Array.from(rests),
    stations: at,
  };
}

function coveredOf(distances: Float64Array): Float64Array {
  const covered = new Float64Array(distances.length);
  for (let i = 1; i < covered.length; i++)
    covered[i] = (covered[i - 1] ?? 0) + Math.abs((distances[i] ?? 0) - (distances[i - 1] ?? 0));
  return covered;
}

/** The same way with a look more in the middle of each piece that is asked for, by the index of the place that it begins at. */
export function lookedCloser(way: Way, pieces: Uint8Array): Way {
  const more = pieces.reduce((sum, one) => sum + one, 0);
  const count = way.distances.length + more;
  const [distances, rests] = [new Float64Array(count), new Float64Array(count)];
  const seen = {
    x: new Float64Array(count).fill(NaN),
    y: new Float64Array(count).fill(NaN),
    bend: new Float64Array(count).fill(NaN),
  };
  const index = new Int32Array(way.distances.length);
  let k = 0;
  for (let i = 0; i < index.length; i++) {
    const here = way.distances[i] ?? 0;
    index[i] = k;
    distances[k] = here;
    rests[k] = way.rests[i] ?? 0;
    for (const key of ['x', 'y', 'bend'] as const) seen[key][k] = way.seen[key][i] ?? NaN;
    k++;
    if (pieces[i] === 1) distances[k++] = (here + (way.distances[i + 1] ?? here)) / 2;
  }
  const stations = way.stations.map((i) => index[i] ?? 0);
  return { path: way.path, isRound: way.isRound, distances, rests, covered: coveredOf(distances), stations, seen };
}

/** px of a guide over which its bend is taken: a corner is gone round as if it were as long. */
const BEND_LENGTH = 6;

/** Where speeds may change their slope or jump between two distances, in the order in which they are passed: corners, and where the stretch over which a bend is taken comes to one and leaves it. */
function edgesBetween(path: Path, from: number, to: number): number[] {
  const [low, high] = [Math.min(from, to), Math.max(from, to)];
  const { length } = path;
  const [firstLap, lastLap] =
    path.isClosed && length > 0 ? [Math.floor(low / length), Math.floor(high / length)] : [0, 0];
  const found: number[] = [];
  for (let lap = firstLap; lap <= lastLap; lap++)
    for (const corner of path.corners())
      for (const by of [-BEND_LENGTH / 2, 0, BEND_LENGTH / 2]) {
        const distance = corner + lap * length + by;
        if (distance > low && distance < high) found.push(distance);
      }
  found.sort((a, b) => a - b);
  return to < from ? found.reverse() : found;
}

/** How much the guide bends at each place, 1/px: the angle between its tangents 3 px before and 3 px after, over those 6. */
export function bendsOf({ path, distances, seen: { bend } }: Way): Float64Array {
  const before = emptyFrame();
  const after = emptyFrame();
  distances.forEach((distance, i) => {
    if (!Number.isNaN(bend[i])) return;
    // A corner that lies just at an end of the stretch is in it.
    path.frameAtDistance(distance - BEND_LENGTH / 2, -1, before);
    path.frameAtDistance(distance + BEND_LENGTH / 2, 1, after);
    const cross = before.tangentX * after.tangentY - before.tangentY * after.tangentX;
    bend[i] =
      Math.abs(Math.atan2(cross, before.tangentX * after.tangentX + before.tangentY * after.tangentY)) / BEND_LENGTH;
  });
  return bend;
}

/** Where each place is against `down` (degrees clockwise from right; 90 is down the canvas), px: how high, and how far across. */
export function heightsOf(
  { path, distances, seen: { x, y } }: Way,
  down: number,
): { readonly heights: Float64Array; readonly across: Float64Array } {
  const angle = (down * Math.PI) / 180;
  const [dx, dy] = [Math.cos(angle), Math.sin(angle)];
  const heights = new Float64Array(distances.length);
  const across = new Float64Array(distances.length);
  const frame = emptyFrame();
  for (let i = 0; i < distances.length; i++) {
    if (Number.isNaN(x[i])) {
      path.frameAtDistance(distances[i] ?? 0, 1, frame);
      x[i] = frame.x;
      y[i] = frame.y;
    }
    heights[i] = -((x[i] ?? 0) * dx + (y[i] ?? 0) * dy);
    across[i] = (x[i] ?? 0) * dy - (y[i] ?? 0) * dx;
  }
  return { heights, across };
}

/** Whether the way stops at a place: it rests there, or turns back. */
export function stopsAt({ distances, rests }: Way, i: number): boolean {
  if ((rests[i] ?? 0) > 0) return true;
  const [before, here, after] = [distances[i - 1], distances[i] ?? 0, distances[i + 1]];
  return before !== undefined && after !== undefined && (here - before) * (after - here) < 0;
}
