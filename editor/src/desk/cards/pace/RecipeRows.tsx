import {
  freezeRecipe,
  landAtCorners,
  newRecipe,
  setRecipe,
  squashLandings,
  wordsOfRecipe,
  type Recipe,
  type Rider,
} from '@pace-line/core';
import { useDocumentState } from '../../../document/index.ts';
import { ChoiceField, DEGREES, PERCENT, PX, type Units } from '../../../fields/index.ts';
import { change, offered, perform } from '../../actions/change.ts';
import { useDesk } from '../../context.ts';
import { Row } from '../Card.tsx';
import { ChoiceRow, NumberRow, YesRow } from '../rows.tsx';

const BY_HAND = 'marks';

const RECIPES: readonly { readonly value: Recipe['kind'] | typeof BY_HAND; readonly label: string }[] = [
  { value: BY_HAND, label: 'marks' },
  { value: 'constant', label: 'constant speed' },
  { value: 'fall', label: 'gravity on slopes' },
  { value: 'bends', label: 'slow in bends' },
  { value: 'hop', label: 'hop from mark to mark' },
  { value: 'waver', label: 'random variation' },
];

const LANDINGS = [
  ['fall', 'as it falls'],
  ['gravity', 'as set'],
  ['height', 'as set, by height'],
] as const;

const SPEED: Units = { 'px/s': 1 };
const ACCELERATION: Units = { '': 1, 'px/s²': 1, 'px/s2': 1 };
const PLAIN: Units = { '': 1 };

interface RecipeNumber {
  readonly label: string;
  readonly unit: string;
  readonly units: Units;
  readonly min: number;
  readonly max: number;
  readonly digits?: number;
  /** The field shows the value times this; where it has no digits, in whole numbers. */
  readonly scale?: number;
}

/** The numbers of recipes, by their keys. */
const NUMBERS: Readonly<Record<string, RecipeNumber>> = {
  gravity: { label: 'Gravity (px/s²)', unit: '', units: ACCELERATION, min: 0.001, max: 1e6, digits: 1 },
  down: { label: 'Direction of gravity', unit: '°', units: DEGREES, min: -360, max: 360, digits: 1 },
  start: { label: 'Start speed', unit: 'px/s', units: SPEED, min: 0, max: 1e5, digits: 1 },
  least: { label: 'Least speed', unit: 'px/s', units: SPEED, min: 1, max: 1e5, digits: 1 },
  friction: { label: 'Friction', unit: '', units: PLAIN, min: 0, max: 10, digits: 3 },
  sideways: { label: 'Cornering limit (px/s²)', unit: '', units: ACCELERATION, min: 0.001, max: 1e7, digits: 1 },
  top: { label: 'Top speed', unit: 'px/s', units: SPEED, min: 0.001, max: 1e5, digits: 1 },
  up: { label: 'Acceleration (px/s²)', unit: '', units: ACCELERATION, min: 0.001, max: 1e7, digits: 1 },
  speed: { label: 'Speed varies by', unit: '%', units: PERCENT, min: 0, max: 95, digits: 0, scale: 100 },
  sway: { label: 'Sideways by', unit: 'px', units: PX, min: 0, max: 1e5, digits: 1 },
  waves: { label: 'Waves in a cycle', unit: '', units: PLAIN, min: 2, max: 200, digits: 0, scale: 1 },
  seed: { label: 'Random seed', unit: '', units: PLAIN, min: 0, max: 2 ** 32 - 1, digits: 0, scale: 1 },
  brake: { label: 'Braking (px/s²)', unit: '', units: ACCELERATION, min: 0.001, max: 1e7, digits: 1 },
};

/** What makes the pace: its marks by hand, or a recipe that goes by their places alone and follows the guide. */
export function RecipeRows({ rider }: { rider: Rider }) {
  const desk = useDesk();
  const scene = useDocumentState((state) => state.shown);
  const { recipe } = rider.pace;
  const set = (label: string, next: Recipe | null): void =>
    void perform(desk, label, setRecipe, { rider: rider.id, recipe: next });
  const freeze = offered(scene, freezeRecipe, { rider: rider.id });
  return (
    <>
      <Row of="pace.recipe">
        <ChoiceField
          label="Pace from"
          value={recipe?.kind ?? BY_HAND}
          data={RECIPES}
          onChange={(kind) =>
            kind === BY_HAND ? set('Pace from marks', null) : set(`Pace from a recipe: ${kind}`, newRecipe(kind))
          }
        />
      </Row>
      {recipe && (
        <>
          <p className="card-note">
            It {wordsOfRecipe(recipe)}.{' '}
            <button
              type="button"
              className="small-button"
              {...freeze}
              onClick={() => perform(desk, 'Convert to marks', freezeRecipe, { rider: rider.id })}
            >
              Convert to marks
            </button>
            {recipe.kind === 'hop' && (
              <button
                type="button"
                className="small-button"
                {...offered(scene, landAtCorners, { rider: rider.id })}
                onClick={() => perform(desk, 'Land at the corners', landAtCorners, { rider: rider.id })}
              >
                Land at its corners
              </button>
            )}
          </p>
          <RecipeFields rider={rider} recipe={recipe} set={set} />
        </>
      )}
    </>
  );
}

interface RecipeFieldsProps {
  readonly rider: Rider;
  readonly recipe: Recipe;
  readonly set: (label: string, next: Recipe) => void;
}

/** What a recipe asks, and what else it offers. */
function RecipeFields({ rider, recipe, set }: RecipeFieldsProps) {
  const desk = useDesk();
  return (
    <>
      {Object.entries(recipe).map(([key, value]) => {
        const field = NUMBERS[key];
        return field && typeof value === 'number' ? (
          <NumberRow
            key={key}
            of="pace.recipe"
            {...field}
            value={value * (field.scale ?? 1)}
            onCommit={(next) =>
              set(`Change ${(field.label.split(' (')[0] ?? '').toLowerCase()}`, {
                ...recipe,
                [key]: field.scale === undefined ? next : Math.round(next) / field.scale,
              })
            }
          />
        ) : null;
      })}
      {recipe.kind === 'waver' && (
        <Row of="pace.seed">
          <button
            type="button"
            className="small-button"
            onClick={() => set('Next seed', { ...recipe, seed: (recipe.seed + 1) % 2 ** 32 })}
          >
            Next seed
          </button>
        </Row>
      )}
      {recipe.kind === 'hop' && (
        <ChoiceRow
          of="pace.landings"
          value={recipe.landings}
          options={LANDINGS}
          onChange={(landings) => set('Change landings', { ...recipe, landings })}
        />
      )}
      {recipe.kind === 'hop' && (
        <NumberRow
          of="pace.landing.squash"
          value={100 * landingSquash(rider)}
          unit="%"
          units={PERCENT}
          digits={0}
          min={0}
          max={80}
          onCommit={(percent) =>
            perform(desk, 'Squash landings', squashLandings, { rider: rider.id, strength: percent / 100 })
          }
        />
      )}
      {'fit' in recipe && !(recipe.kind === 'hop' && recipe.landings !== 'fall') && (
        <YesRow
          of="pace.fit"
          value={recipe.fit}
          onChange={(fit) =>
            change(desk, 'Change fit to time', (base) =>
              setRecipe(base, { rider: rider.id, recipe: { ...recipe, fit } }),
            )
          }
        />
      )}
    </>
  );
}

/** By how much the hardest of a rider's landings squashes it, as a share; 0 where none does. */
function landingSquash({ keys }: Rider): number {
  const tied = keys.squash.flatMap(({ mark, value }) => (mark === null ? [] : [value]));
  return 1 - Math.min(1, ...tied);
}
