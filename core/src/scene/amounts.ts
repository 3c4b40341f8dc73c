import { MOST_NODES } from './schema/guide.ts';
import { KEY_CHANNELS, MOST_KEYS } from './schema/keys.ts';
import { MOST_MARKS } from './schema/pace.ts';
import { MOST } from './schema/scene.ts';
import { MOST_SETS } from './schema/sets.ts';
import type { Scene } from './schema/index.ts';
import { troubleOfWeight } from './weight.ts';

/** What a scene would have more of than its file holds. `weight`: of everything together. */
export type Amount = 'art' | 'guides' | 'riders' | 'tracing' | 'sets' | 'nodes' | 'marks' | 'keys' | 'weight';

const LISTS = { ...MOST, sets: MOST_SETS } as const;

/** Whether any of those that an edit has brought into a list has too much of something. */
function isAnyNew<T>(before: readonly T[], after: readonly T[], isTooMuch: (one: T) => boolean): boolean {
  if (before === after) return false;
  // Only what is too large is looked for among what was there: most edits leave nothing to look for.
  return after.some((one, i) => one !== before[i] && isTooMuch(one) && !before.includes(one));
}

/** What an edit has made more of than a scene file holds, and how much it holds; undefined where it is within it, or was beyond it before. */
export function amountPassed(
  before: Scene,
  after: Scene,
): { readonly what: Amount; readonly most: number } | undefined {
  for (const list of ['art', 'guides', 'riders', 'tracing', 'sets'] as const)
    if (after[list].length > LISTS[list] && after[list].length > before[list].length)
      return { what: list, most: LISTS[list] };
  if (isAnyNew(before.guides, after.guides, ({ nodes }) => nodes.length > MOST_NODES))
    return { what: 'nodes', most: MOST_NODES };
  if (isAnyNew(before.riders, after.riders, ({ pace }) => pace.marks.length > MOST_MARKS))
    return { what: 'marks', most: MOST_MARKS };
  if (isAnyNew(before.riders, after.riders, ({ keys }) => KEY_CHANNELS.some((one) => keys[one].length > MOST_KEYS)))
    return { what: 'keys', most: MOST_KEYS };
  const weighs = after.guides !== before.guides || after.riders !== before.riders || after.art !== before.art;
  return weighs && troubleOfWeight(after) !== undefined && troubleOfWeight(before) === undefined
    ? { what: 'weight', most: 100 }
    : undefined;
}
