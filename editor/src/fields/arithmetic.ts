/** Units that a field understands, each as a factor to the field's own unit. */
export type Units = Readonly<Record<string, number>>;

/** Characters of a sum: nobody types as many, and what is nested deeper could not be worked out. */
const LONGEST = 500;

/**
 * The value of what was typed: numbers, + − * / and brackets, each number with a unit the field knows (`1.5 s`, `12 f`). A leading += -= *= /=
 * works on the value that stands there. Undefined where it is no sum.
 */
export function evaluate(text: string, units: Units, current: number): number | undefined {
  if (text.length > LONGEST) return undefined;
  const source = text
    .replace(/−/g, '-')
    .replace(/×/g, '*')
    .replace(/,(?=\d{1,2}$)/, '.')
    .trim();
  const relative = /^([-+*/])=(.*)$/s.exec(source);
  const value = parse(relative ? `${current}${relative[1] ?? ''}(${relative[2] ?? ''})` : source, units);
  return value !== undefined && Number.isFinite(value) ? value : undefined;
}

function parse(source: string, units: Units): number | undefined {
  let at = 0;
  const skip = (): void => {
    while (source[at] === ' ') at++;
  };
  const take = (pattern: RegExp): string | undefined => {
    skip();
    const match = pattern.exec(source.slice(at));
    if (match) at += match[0].length;
    return match?.[0];
  };
  const factor = (): number | undefined => {
    const sign = take(/^[-+]/);
    if (sign) {
      const value = factor();
      return value === undefined ? undefined : sign === '-' ? -value : value;
    }
    if (take(/^\(/)) {
      const value = sum();
      return take(/^\)/) ? value : undefined;
    }
    const number = take(/^(?:\d+\.?\d*|\.\d+)(?:e[-+]?\d+)?/i);
    if (number === undefined) return undefined;
    const unit = take(/^(?:[a-z]+|%|°|×)/i);
    if (unit === undefined) return Number(number);
    const scale = units[unit.toLowerCase()];
    return scale === undefined ? undefined : Number(number) * scale;
  };
  const chain = (
    next: () => number | undefined,
    signs: RegExp,
    join: (a: number, b: number, sign: string) => number,
  ): number | undefined => {
    let value = next();
    for (let sign = take(signs); sign !== undefined && value !== undefined; sign = take(signs)) {
      const other = next();
      value = other === undefined ? undefined : join(value, other, sign);
    }
    return value;
  };
  const product = (): number | undefined => chain(factor, /^[*/]/, (a, b, sign) => (sign === '*' ? a * b : a / b));
  const sum = (): number | undefined => chain(product, /^[-+]/, (a, b, sign) => (sign === '+' ? a + b : a - b));
  const value = sum();
  skip();
  return at === source.length ? value : undefined;
}

export const PX: Units = { px: 1 };
export const DEGREES: Units = { deg: 1, '°': 1, turn: 360, rad: 180 / Math.PI };
export const secondsAt = (fps: number): Units => ({ s: 1, ms: 0.001, f: 1 / fps, min: 60 });
export const PERCENT: Units = { '%': 1 };
