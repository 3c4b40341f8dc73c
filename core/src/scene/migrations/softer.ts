import { isObject, type Json } from './json.ts';

/** Version 9 to 10: an ease made softer keeps what it does at its ends; before, it was mixed with steady, and is so by its own name from then on. */

const RETURNING = ['back', 'elastic', 'bounce'];

const isShare = (value: unknown): boolean => typeof value === 'number' && value >= 0 && value <= 1;

/** Whether an ease only rises: then more than its own strength is what it was. */
function onlyRises({ kind, family, values }: Json): boolean {
  if (kind === 'family') return !RETURNING.includes(family as string);
  return kind === 'flow' || (kind === 'bezier' && Array.isArray(values) && isShare(values[1]) && isShare(values[3]));
}

const KINDS = ['family', 'bezier', 'points', 'flow', 'spring', 'shaped'];

/** A value with every ease in it mixed with steady by as much as its strength did until version 9. */
export function withEvenEases<T>(value: T): T {
  if (Array.isArray(value)) return value.map(withEvenEases) as T;
  if (!isObject(value)) return value;
  const { strength, ...rest } = value as Json;
  if (KINDS.includes(value['kind'] as string) && typeof strength === 'number')
    return (strength === 1 || (strength > 1 && onlyRises(value)) ? value : { ...rest, even: 1 - strength }) as T;
  return Object.fromEntries(Object.entries(value).map(([key, one]) => [key, withEvenEases(one)])) as T;
}
