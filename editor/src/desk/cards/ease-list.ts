import { EASE_FAMILIES, EASE_MODES, type Ease } from '@pace-line/core';

/** Curves offered by name, with cubic-bezier values of our own choosing. */
const CURVES: readonly (readonly [string, readonly [number, number, number, number]])[] = [
  ['soft both ends', [0.42, 0.04, 0.58, 0.96]],
  ['late start', [0.7, 0, 0.84, 0.6]],
  ['early arrival', [0.16, 0.4, 0.3, 1]],
  ['draws back first', [0.5, -0.35, 0.6, 1]],
  ['shoots past', [0.4, 0, 0.5, 1.35]],
];

const FAMILY_ORDER = EASE_FAMILIES;
const MODE_WORDS = { in: 'in', out: 'out', 'in-out': 'in and out' } as const;

/** The eases to choose from, grouped for a list. */
export const EASE_LIST: readonly {
  readonly group: string;
  readonly items: readonly { readonly value: string; readonly label: string }[];
}[] = [
  {
    group: 'Plain',
    items: [
      { value: 'steady', label: 'steady' },
      { value: 'hold', label: 'hold, then jump' },
    ],
  },
  { group: 'Curves', items: CURVES.map(([label, values]) => ({ value: `bezier:${values.join(',')}`, label })) },
  ...FAMILY_ORDER.map((family) => ({
    group: family,
    items: EASE_MODES.map((mode) => ({ value: `family:${family}:${mode}`, label: `${family} ${MODE_WORDS[mode]}` })),
  })),
];

/** The list's value for an ease; a piece of an ease, points or a curve of one's own have a value that the list gains for it. */
export function valueOfEase(ease: Ease): string {
  const part = 'part' in ease && ease.part ? `:${ease.part.join('-')}` : '';
  switch (ease.kind) {
    case 'steady':
    case 'hold':
      return ease.kind;
    case 'family':
      return `family:${ease.family}:${ease.mode}${part}`;
    case 'bezier':
      return `bezier:${ease.values.join(',')}${part}`;
    case 'points':
      return `points${part}`;
  }
}

/** An ease in words. */
export function wordsOfEase(ease: Ease): string {
  const value = valueOfEase({ ...ease, part: undefined } as Ease);
  const listed = EASE_LIST.flatMap(({ items }) => items).find((item) => item.value === value)?.label;
  const plain =
    listed ??
    (ease.kind === 'bezier'
      ? `curve ${ease.values.map((one) => Number(one.toFixed(2))).join(', ')}`
      : ease.kind === 'points'
        ? `${ease.points.length} points`
        : ease.kind);
  return 'part' in ease && ease.part ? `part of ${plain}` : plain;
}

/** The ease that a value of the list stands for; undefined for values that only describe. */
export function easeOfValue(value: string): Ease | undefined {
  const [kind, a = '', b = ''] = value.split(':');
  if (kind === 'steady' || kind === 'hold') return { kind };
  const family = EASE_FAMILIES.find((one) => one === a);
  const mode = EASE_MODES.find((one) => one === b);
  if (kind === 'family' && family && mode) return { kind, family, mode };
  const [x1, y1, x2, y2] = a.split(',').map(Number);
  if (kind === 'bezier' && x1 !== undefined && y1 !== undefined && x2 !== undefined && y2 !== undefined)
    return { kind, values: [x1, y1, x2, y2] };
  return undefined;
}
