/** Steps per smooth piece of time in which changes of state are looked for. */
const STEPS = 64;

/** Pieces of time beyond which they are not looked for one by one: they follow each other faster than anything can show. */
const MOST_PIECES = 4000;

/** s. A change is found within this. */
const WITHIN = 1e-9;

/** Times at which a state changes, between ascending stops, s: the first at which the new one is there. Changes at the stops themselves are not among them. */
export function switchTimes(stateAt: (time: number) => number, stops: readonly number[]): number[] {
  const found: number[] = [];
  if (stops.length > MOST_PIECES) return found;
  for (let i = 0; i + 1 < stops.length; i++) {
    const [a, b] = [stops[i] ?? 0, stops[i + 1] ?? 0];
    const inset = (b - a) * 1e-7;
    if (!(b - a > 1e-6)) continue;
    let t0 = a + inset;
    let before = stateAt(t0);
    for (let k = 1; k <= STEPS; k++) {
      const t1 = k === STEPS ? b - inset : a + ((b - a) * k) / STEPS;
      const after = stateAt(t1);
      if (after !== before) {
        let low = t0;
        let high = t1;
        while (high - low > WITHIN) {
          const middle = (low + high) / 2;
          if (stateAt(middle) === before) low = middle;
          else high = middle;
        }
        found.push(high);
      }
      t0 = t1;
      before = after;
    }
  }
  return found;
}
