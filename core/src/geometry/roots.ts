/** Polynomial coefficients from the constant term up. */
type Polynomial = readonly number[];

const valueAt = (p: Polynomial, t: number): number => p.reduceRight((sum, c) => sum * t + c, 0);
const derivativeOf = (p: Polynomial): Polynomial => p.slice(1).map((c, i) => c * (i + 1));

/** A root of `f` in [a, b], where its signs at the ends differ: bisection, with a secant step when it falls inside; to the last bit. */
export function bracketedRoot(f: (t: number) => number, a: number, b: number): number {
  let fa = f(a);
  if (fa === 0) return a;
  let fb = f(b);
  if (fb === 0) return b;
  for (let turn = 0; turn < 200; turn++) {
    const middle = 0.5 * (a + b);
    if (middle <= a || middle >= b) return middle;
    const secant = a - (fa * (b - a)) / (fb - fa);
    const t = turn % 2 === 0 && secant > a && secant < b ? secant : middle;
    const ft = f(t);
    if (ft === 0) return t;
    if (ft < 0 === fa < 0) {
      a = t;
      fa = ft;
    } else {
      b = t;
      fb = ft;
    }
  }
  return 0.5 * (a + b);
}

/** The real roots of a polynomial in the open interval (0, 1), ascending: its derivative's roots cut it into monotone pieces. */
export function rootsInUnit(p: Polynomial): number[] {
  let degree = p.length - 1;
  const scale = Math.max(...p.map(Math.abs));
  while (degree > 0 && Math.abs(p[degree] ?? 0) <= 1e-15 * scale) degree--;
  if (degree < 1) return [];
  const trimmed = p.slice(0, degree + 1);
  const cuts = [0, ...rootsInUnit(derivativeOf(trimmed)), 1];
  const roots: number[] = [];
  const keep = (t: number): void => {
    if (t > 0 && t < 1 && t !== roots[roots.length - 1]) roots.push(t);
  };
  for (let i = 0; i + 1 < cuts.length; i++) {
    const a = cuts[i] ?? 0;
    const b = cuts[i + 1] ?? 1;
    const fa = valueAt(trimmed, a);
    const fb = valueAt(trimmed, b);
    if (fa === 0) keep(a);
    else if (fb !== 0 && fa < 0 !== fb < 0) keep(bracketedRoot((t) => valueAt(trimmed, t), a, b));
  }
  return roots;
}
