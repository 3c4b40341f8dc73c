/** One place of a value of JSON and what is there now. */
export type Step =
  | { readonly at: readonly (string | number)[]; readonly set: unknown }
  | { readonly at: readonly (string | number)[]; readonly drop: true }
  /** Of a list: from `from` on, `gone` entries make way for `come`. */
  | {
      readonly at: readonly (string | number)[];
      readonly from: number;
      readonly gone: number;
      readonly come: readonly unknown[];
    };

/** What makes a later state of an earlier one. */
export type Change = readonly Step[];

type Plain = Readonly<Record<string, unknown>>;

const isPlain = (value: unknown): value is Plain =>
  typeof value === 'object' && value !== null && !Array.isArray(value);

/**
 * The change from one value to another. Values share what did not change, so that only what did is looked at; a change of one node among thousands is one
 * step.
 */
export function changeBetween(before: unknown, after: unknown): Change {
  const steps: Step[] = [];
  collect(before, after, [], steps);
  return steps;
}

function collect(before: unknown, after: unknown, at: readonly (string | number)[], steps: Step[]): void {
  if (Object.is(before, after)) return;
  if (Array.isArray(before) && Array.isArray(after)) return collectList(before, after, at, steps);
  if (!isPlain(before) || !isPlain(after)) return void steps.push({ at, set: after });
  for (const key of Object.keys(before))
    if (!Object.hasOwn(after, key) || after[key] === undefined) steps.push({ at: [...at, key], drop: true });
  for (const key of Object.keys(after)) {
    if (after[key] === undefined) continue;
    if (Object.hasOwn(before, key) && before[key] !== undefined) collect(before[key], after[key], [...at, key], steps);
    else steps.push({ at: [...at, key], set: after[key] });
  }
}

function collectList(
  before: readonly unknown[],
  after: readonly unknown[],
  at: readonly (string | number)[],
  steps: Step[],
): void {
  if (before.length === after.length) return after.forEach((one, i) => collect(before[i], one, [...at, i], steps));
  const shortest = Math.min(before.length, after.length);
  let head = 0;
  while (head < shortest && Object.is(before[head], after[head])) head++;
  let tail = 0;
  while (tail < shortest - head && Object.is(before.at(-1 - tail), after.at(-1 - tail))) tail++;
  const come = after.slice(head, after.length - tail);
  steps.push({ at, from: head, gone: before.length - tail - head, come });
}

/** A value after a change; the one before stays as it is. Throws where the change is of another value. */
export function changed(value: unknown, change: Change): unknown {
  return change.reduce((now, step) => placed(now, step, 0), value);
}

function placed(value: unknown, step: Step, depth: number): unknown {
  const key = step.at[depth];
  if (key === undefined) return 'set' in step ? step.set : spliced(value, step);
  const isLast = depth === step.at.length - 1;
  if (Array.isArray(value)) {
    if (typeof key !== 'number' || !(key < value.length)) throw new Error('the change is of another list');
    return value.map((one: unknown, i) => (i === key ? placed(one, step, depth + 1) : one));
  }
  if (!isPlain(value) || typeof key !== 'string') throw new Error('the change is of another value');
  const { [key]: inside, ...rest } = value;
  if (isLast && 'drop' in step) return rest;
  return { ...value, [key]: placed(inside, step, depth + 1) };
}

function spliced(value: unknown, step: Step): unknown {
  if (!('from' in step) || !Array.isArray(value) || step.from + step.gone > value.length)
    throw new Error('the change is of another list');
  return [
    ...(value as unknown[]).slice(0, step.from),
    ...step.come,
    ...(value as unknown[]).slice(step.from + step.gone),
  ];
}
