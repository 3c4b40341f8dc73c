import { countedRandom } from '../core/src/testing/random.ts';

type Json = null | boolean | number | string | Json[] | { [key: string]: Json };

/** What no field is made for. */
const STRANGE: readonly Json[] = [
  null,
  true,
  '',
  'x',
  'constructor',
  '__proto__',
  'toString',
  '\uD800',
  'a\u0000b',
  'x'.repeat(300),
  'x),url(http://elsewhere.example/',
  '=1+1',
  '<svg/>',
  '<svg xmlns="http://www.w3.org/2000/svg"><script/></svg>',
  0,
  -0,
  -1,
  0.5,
  1e-12,
  5e-324,
  1e7,
  -1e7,
  1e9,
  1e308,
  2 ** 53,
  [],
  [0],
  [0, 0],
  [1e7, -1e7],
  [[]],
  {},
  { id: 'x' },
  { kind: 'steady' },
  { by: 'share', value: 1e3 },
];

interface Slot {
  readonly holder: Json[] | { [key: string]: Json };
  readonly key: string | number;
}

/** Every place in a value where another could stand. */
function slotsOf(value: Json, found: Slot[] = []): Slot[] {
  if (typeof value !== 'object' || value === null) return found;
  const keys = Array.isArray(value) ? value.map((_, i) => i) : Object.keys(value);
  for (const key of keys) {
    found.push({ holder: value, key });
    slotsOf((value as Record<string | number, Json>)[key] ?? null, found);
  }
  return found;
}

const get = ({ holder, key }: Slot): Json => (holder as Record<string | number, Json>)[key] ?? null;
const put = ({ holder, key }: Slot, value: Json): void => {
  // As JSON.parse does: `__proto__` is a key like others.
  Object.defineProperty(holder, key, { value, enumerable: true, configurable: true, writable: true });
};

type Mutation = (slot: Slot, other: Slot, random: () => number) => void;

const MUTATIONS: readonly Mutation[] = [
  (slot, _, random) => put(slot, structuredClone(STRANGE[Math.floor(random() * STRANGE.length)] ?? null)),
  (slot, other) => put(slot, structuredClone(get(other))),
  ({ holder, key }) => {
    if (Array.isArray(holder)) holder.splice(Number(key), 1);
    else Reflect.deleteProperty(holder, key);
  },
  (slot, _, random) => {
    const value = get(slot);
    if (typeof value === 'number')
      put(
        slot,
        value * (random() < 0.5 ? 2 * random() : 10 ** Math.round(random() * 24 - 12)) * (random() < 0.2 ? -1 : 1),
      );
    else if (typeof value === 'string') put(slot, value.slice(Math.floor(random() * value.length)) + value.slice(0, 3));
    else if (Array.isArray(value)) put(slot, [...value, ...structuredClone(value)]);
    else put(slot, { ...(value as object), [['constructor', '__proto__', 'more'][Math.floor(random() * 3)] ?? '']: 1 });
  },
  ({ holder }) => {
    if (Array.isArray(holder)) holder.reverse();
  },
];

/** A copy of a scene's JSON with one to four places changed at random; the same for the same seed. */
export function mutated(scene: unknown, seed: number): unknown {
  const random = countedRandom(seed);
  const copy = structuredClone(scene) as Json;
  for (let i = 1 + Math.floor(random() * 4); i > 0; i--) {
    const slots = slotsOf(copy);
    const any = (): Slot | undefined => slots[Math.floor(random() * slots.length)];
    const [slot, other] = [any(), any()];
    if (slot && other) MUTATIONS[Math.floor(random() * MUTATIONS.length)]?.(slot, other, random);
  }
  return copy;
}
