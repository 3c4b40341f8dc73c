import { noiseAt } from '../../noise.ts';
import { fitPaceLine, swayOf, type Recipe, type Sway } from '../../pace/index.ts';
import {
  foldingOf,
  freshIds,
  newMark,
  pathOfGuide,
  placeAtDistance,
  type Keys,
  type Mark,
  type Rider,
  type Scene,
} from '../../scene/index.ts';
import { command, guideOf, refusal, replaceRider, riderOf } from '../command.ts';
import { keyValueAt } from '../key/keys.ts';
import { arcsFitted, gravityOfArcs } from './arcs.ts';
import { cookedOf, SAME_TIME } from './cooked.ts';
import { onGuide } from './marks.ts';

/** Makes a rider's pace by a recipe from its marks' places; null: by their times and eases again. */
export const setRecipe = command<{ rider: string; recipe: Recipe | null }>(
  (scene, { rider, recipe }) =>
    onGuide(scene, rider) ??
    (recipe !== null && riderOf(scene, rider).pace.marks.length < 2 ? refusal('recipe-needs-two') : undefined),
  (scene, { rider: id, recipe }) => {
    const rider = riderOf(scene, id);
    const paced = { ...rider, pace: { ...rider.pace, recipe: recipe && withGravity(scene, rider, recipe) } };
    // What hops at its marks' times from now on by the height of its arcs has these as high as that asks.
    const legs = paced.pace.marks.map((_, i) => i);
    return arcsFitted(replaceRider(scene, paced), paced, legs);
  },
);

/** A recipe; one that is to keep its gravity and change its arcs begins with that under which they are as they are. */
function withGravity(scene: Scene, rider: Rider, recipe: Recipe): Recipe {
  const last = rider.pace.recipe;
  if (recipe.kind !== 'hop' || recipe.landings !== 'height' || (last?.kind === 'hop' && last.landings === 'height'))
    return recipe;
  const gravity = gravityOfArcs(scene, rider, recipe.down);
  return gravity === undefined
    ? recipe
    : { ...recipe, gravity: Math.min(MOST_GRAVITY, Math.round(gravity * 1e6) / 1e6) };
}

/** px/s². */
const MOST_GRAVITY = 1e6;

/** px. How far a frozen pace may be from its recipe's. */
const FROZEN = 0.25;

/** s. Step of the looks at a recipe that is frozen. */
const LOOK = 1 / 240;

/** Turns a recipe into marks and eases that do the same within half a pixel, to be shaped by hand from then on. The marks that are there stay. */
export const freezeRecipe = command<{ rider: string }>(
  (scene, { rider }) =>
    onGuide(scene, rider) ?? (riderOf(scene, rider).pace.recipe === null ? refusal('no-recipe') : undefined),
  (scene, { rider: id }) => {
    const rider = riderOf(scene, id);
    const { marks, recipe } = rider.pace;
    if (!recipe) return scene;
    const guide = guideOf(scene, rider.guide);
    const path = pathOfGuide(guide);
    const { line, times } = cookedOf(scene, rider, guide, recipe);
    const { cycle } = foldingOf(rider, scene.clock);
    const fresh = freshIds(scene);
    const made = marks.flatMap((mark, i): Mark[] => {
      const next = marks[i + 1];
      const leaves = (times[i] ?? 0) + mark.dwell;
      const arrives = times[i + 1] ?? leaves;
      if (!next || arrives - leaves < SAME_TIME) return [mark];
      const count = Math.max(8, Math.ceil((arrives - leaves) / LOOK));
      const moments = Array.from({ length: count + 1 }, (_, k) => {
        const time = leaves + ((arrives - leaves) * k) / count;
        return { time, distance: line.distanceAt(time, k === 0 ? 1 : -1) };
      });
      const [first, ...inner] = fitPaceLine(moments, FROZEN);
      return [
        { ...mark, time: times[i] ?? mark.time, ease: first?.ease ?? mark.ease },
        ...inner.slice(0, -1).map(({ time, distance, ease }): Mark => ({
          ...newMark(fresh(`${id}-m1`), time, placeAtDistance(guide, path, distance)),
          ease,
        })),
      ];
    });
    // What lies past the cycle was never shown: it ends with the cycle.
    const shown = made.filter(({ time }) => time <= cycle + SAME_TIME);
    const sway = swayOf(recipe);
    const keys = sway ? withSway(rider, sway, cycle, fresh) : rider.keys;
    return replaceRider(scene, { ...rider, keys, pace: { ...rider.pace, recipe: null, marks: shown } });
  },
);

/** A rider's keys with its sway among those of lift. */
function withSway(rider: Rider, { px, waves }: Sway, cycle: number, fresh: (base: string) => string): Keys {
  const count = Math.max(8, Math.ceil(cycle / LOOK));
  const looks = Array.from({ length: count + 1 }, (_, k) => {
    const time = (cycle * k) / count;
    const keyed = keyValueAt(rider.keys, 'lift', time);
    return { time, distance: keyed + px * noiseAt(waves, time / cycle) };
  });
  const lift = fitPaceLine(looks, FROZEN).map(({ time, distance, ease }) => ({
    ...{ id: fresh(`${rider.id}-lift`), time, value: distance, ease, mark: null },
  }));
  return { ...rider.keys, lift };
}
