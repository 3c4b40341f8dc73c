import { z } from '../../zod.ts';
import type { Path } from '../../geometry/index.ts';
import type { Repeat } from '../../time/index.ts';
import type { DistanceLine } from '../distance-line.ts';
import type { PlacedMark } from '../pace-line.ts';
import { SpeedLine } from '../speed-line.ts';
import { bends, schema as bendsSchema } from './bends.ts';
import { constant, schema as constantSchema } from './constant.ts';
import { fall, schema as fallSchema } from './fall.ts';
import { hop, schema as hopSchema } from './hop.ts';
import type { RecipeKind, Sway } from './recipe.ts';
import { waver, schema as waverSchema } from './waver.ts';
import { wayAlong } from './way.ts';

/** How a pace is made from its marks' places instead of their times and eases. To add a recipe: write its file, add it here and in the list below. */
export const recipeSchema = z.discriminatedUnion('kind', [
  constantSchema,
  fallSchema,
  bendsSchema,
  hopSchema,
  waverSchema,
]);
export type Recipe = Readonly<z.infer<typeof recipeSchema>>;

/** Every recipe, in the order in which they are offered. */
const RECIPE_KINDS: readonly RecipeKind[] = [constant, fall, bends, hop, waver];

const kinds = new Map(RECIPE_KINDS.map((one) => [one.kind, one]));

function kindOf(recipe: Recipe): RecipeKind<Recipe> {
  const kind = kinds.get(recipe.kind);
  if (!kind) throw new Error(`There is no recipe of the kind "${recipe.kind}"`);
  return kind as RecipeKind<Recipe>;
}

/** A recipe of a kind with all that it may say left as it is offered. */
export const newRecipe = (kind: Recipe['kind']): Recipe => recipeSchema.parse({ kind });

/** A recipe in a few words. */
export const wordsOfRecipe = (recipe: Recipe): string => kindOf(recipe).words(recipe);

export type { Sway } from './recipe.ts';

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
  const way = wayAlong(path, marks, isRound);
  const speeds = kind.squares(recipe, way);
  const { distances, rests } = way;
  const line = new SpeedLine({ ...speeds, distances, rests }, from, fits ? ends - from : null, repeat);
  return { line, times: way.stations.map((index) => line.arrivalAt(index)) };
}
