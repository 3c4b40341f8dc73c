/** A reference in a value: from where to where it is written, and what it names. */
export interface UrlReference {
  readonly from: number;
  readonly to: number;
  readonly target: string;
}

const SPACE = /\s/;

/** The place from `at` on where no space stands. */
function afterSpace(value: string, at: number): number {
  while (at < value.length && SPACE.test(value.charAt(at))) at++;
  return at;
}

/**
 * Every `url(…)` and `src(…)` of a value, with or without quotes; undefined where one is not closed. Read letter by letter: a pattern that may begin and end its
 * spaces in several ways takes minutes for a few thousand of them.
 */
export function urlsIn(value: string): UrlReference[] | undefined {
  const found: UrlReference[] = [];
  const opening = /(?:url|src)\s*\(/gi;
  for (let match = opening.exec(value); match; match = opening.exec(value)) {
    const start = afterSpace(value, opening.lastIndex);
    const quote = value.charAt(start);
    const isQuoted = quote === '"' || quote === "'";
    const end = value.indexOf(isQuoted ? quote : ')', isQuoted ? start + 1 : start);
    const close = isQuoted && end >= 0 ? afterSpace(value, end + 1) : end;
    if (end < 0 || value.charAt(close) !== ')') return undefined;
    found.push({ from: match.index, to: close + 1, target: value.slice(isQuoted ? start + 1 : start, end).trim() });
    opening.lastIndex = close + 1;
  }
  return found;
}

/** A value with each of its references written anew. */
export function withUrls(
  value: string,
  references: readonly UrlReference[],
  write: (target: string) => string,
): string {
  let out = '';
  let at = 0;
  for (const { from, to, target } of references) {
    out += value.slice(at, from) + write(target);
    at = to;
  }
  return out + value.slice(at);
}
