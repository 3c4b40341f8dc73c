import { z } from '../../zod.ts';
import type { Path } from '../../geometry/index.ts';
import type { Repeat } from '../../time/index.ts';
import type { DistanceLine } from '../distance-line.ts';
import type { PlacedMark } from '../pace-line.ts';
import { SpeedLine, type PacedWay } from '../speed-line.ts';
import { bends, schema as bendsSchema } from './bends.ts';
import { constant, schema as constantSchema } from './constant.ts';
import { fall, schema as fallSchema } from './fall.ts';
import { hop, schema as hopSchema } from './hop.ts';
import type { RecipeKind, Squares, Sway } from './recipe.ts';
import { waver, schema as waverSchema } from './waver.ts';
import { secondsOf } from '../speed-line.ts';
import { lookedCloser, wayAlong, type Way } from './way.ts';

/** How a pace is made from its marks' places instead of their times and eases. To add a recipe: write its file, add it here and in the list below. */
export const recipeSchema = z.discriminatedUnion('kind', [
  constantSchema,
  fallSchema,
  bendsSchema,
  hopSchema,
  waverSchema,
]);
export type Recipe = Readonly<z.infer<typeof recipeSchema>>;

/** Every recipe, in the order in which they are offered: one that the schema has and this has not does not compile. */
const RECIPES: Readonly<Record<Recipe['kind'], RecipeKind>> = { constant, fall, bends, hop, waver };

const kindOf = (recipe: Recipe): RecipeKind<Recipe> => RECIPES[recipe.kind] as RecipeKind<Recipe>;

/** A recipe of a kind with all that it may say left as it is offered. */
export const newRecipe = (kind: Recipe['kind']): Recipe => recipeSchema.parse({ kind });

/** A recipe in a few words. */
export const wordsOfRecipe = (recipe: Recipe): string => kindOf(recipe).words(recipe);

export type { Sway } from './recipe.ts';
export { secondsOfArc } from './hop.ts';

/** Whether a recipe reaches each mark at its own time, or may: then that can be set. */
export const takesTimes = ({ kind }: Recipe): boolean => kindOf({ kind } as Recipe).timed !== undefined;

/** How a recipe sways to both sides of the guide; undefined where it does not. */
export const swayOf = (recipe: Recipe): Sway | undefined => kindOf(recipe).sway?.(recipe);

/** s. A mark so near the cycle's end stands there. */
const AT_END = 1e-9;

/** px. A way whose ends are so near each other, but for whole laps, closes. */
const CLOSES = 1e-6;

/** What a recipe makes: the line, and the local time, s, at which each mark is reached. */
export interface Cooked {
  readonly line: DistanceLine;
  readonly times: readonly number[];
}

/** The distance line that a recipe makes on a path: from the first mark's place at its time through those of the others, with their rests, to the last. */
export function cookedLine(
  recipe: Recipe,
  path: Path,
  marks: readonly PlacedMark[],
  { cycle, repeat }: { readonly cycle: number; readonly repeat: Repeat },
): Cooked {
  const kind = kindOf(recipe);
  const [first, last] = [marks[0], marks[marks.length - 1]];
  const from = first?.time ?? 0;
  const ends = (last?.time ?? 0) + (last?.dwell ?? 0);
  const fits = kind.fits(recipe);
  const laps = path.length > 0 ? ((last?.distance ?? 0) - (first?.distance ?? 0)) / path.length : 0;
  const isRound =
    fits &&
    repeat === 'loop' &&
    path.isClosed &&
    Math.abs(laps - Math.round(laps)) * path.length < CLOSES &&
    from <= AT_END &&
    (last?.time ?? 0) >= cycle - AT_END &&
    first?.dwell === 0;
  const { way, speeds } = lookedAlong(kind, recipe, wayAlong(path, marks, isRound));
  const { distances, rests } = way;
  const isTimed = kind.timed?.(recipe) === true;
  const paced = isTimed ? atTheirTimes(way, speeds, marks) : { ...speeds, distances, rests };
  const line = new SpeedLine(paced, from, fits && !isTimed ? ends - from : null, repeat);
  return { line, times: way.stations.map((index) => line.arrivalAt(index)) };
}

/** s. A leg of a timed recipe lasts as long at least: what is there at once jumps. */
const SHORTEST_LEG = 1e-6;

/** A way whose speeds are scaled from mark to mark, so that each is reached at its own time; where it does not move, it rests until then. */
function atTheirTimes(way: Way, speeds: Squares, marks: readonly PlacedMark[]): PacedWay {
  const { distances, stations } = way;
  const [leaving, arriving, rests] = [speeds.leaving.slice(), speeds.arriving.slice(), way.rests.slice()];
  marks.slice(1).forEach((next, k) => {
    const [from, to, mark] = [stations[k] ?? 0, stations[k + 1] ?? 0, marks[k]];
    const wanted = Math.max(0, next.time - (mark?.time ?? 0) - (mark?.dwell ?? 0));
    let lasts = 0;
    for (let i = from; i < to; i++) lasts += secondsOf(distances, speeds, i);
    if (lasts === 0) {
      rests[from] = (rests[from] ?? 0) + wanted;
      return;
    }
    const square = (lasts / Math.max(SHORTEST_LEG, wanted)) ** 2;
    for (let i = from; i < to; i++) {
      leaving[i] = square * (speeds.leaving[i] ?? 0);
      arriving[i + 1] = square * (speeds.arriving[i + 1] ?? 0);
    }
  });
  return { distances, leaving, arriving, rests };
}

/** px that a closer look at all pieces of a way may make together; what is left after it is a third of that or less. */
const CLOSE = 0.01;

/** How often it is looked closer, and from how many places on no more: long ways are made within a frame all the same. */
const [CLOSER, MOST_PLACES] = [8, 2500];

/** A way with its speeds, looked at closer wherever that makes a difference: first everywhere, then in the halves of the pieces that it made one for. */
function lookedAlong(kind: RecipeKind<Recipe>, recipe: Recipe, first: Way): { way: Way; speeds: Squares } {
  let way = first;
  let speeds = kind.squares(recipe, way);
  let asked = new Uint8Array(way.distances.length).fill(1, 0, Math.max(0, way.distances.length - 1));
  if (kind.isEven) return { way, speeds };
  let most = 0;
  for (let turn = 0; turn < CLOSER && way.distances.length < MOST_PLACES; turn++) {
    way.distances.forEach((distance, i) => {
      if (distance === way.distances[i + 1]) asked[i] = 0;
    });
    if (!asked.includes(1)) break;
    const closer = lookedCloser(way, asked);
    const now = kind.squares(recipe, closer);
    if (turn === 0) most = CLOSE / closer.distances.length;
    const next = new Uint8Array(closer.distances.length);
    for (let i = 0, k = 0; i < way.distances.length; i++, k++) {
      if (asked[i] !== 1) continue;
      const before = secondsOf(way.distances, speeds, i);
      const after = secondsOf(closer.distances, now, k) + secondsOf(closer.distances, now, k + 1);
      const speed = Math.sqrt(Math.max(0, now.arriving[k + 1] ?? 0));
      if (Math.abs(after - before) * speed > most) next[k] = next[k + 1] = 1;
      k++;
    }
    [way, speeds, asked] = [closer, now, next];
  }
  return { way, speeds };
}
