/** Where in a text something is: lines from 1, columns from 0. */
export interface Place {
  readonly line: number;
  readonly column: number;
}

const placeAt = (text: string, at: number): Place => {
  const before = text.slice(0, at).split('\n');
  return { line: before.length, column: before[before.length - 1]?.length ?? 0 };
};

/** Where the value of a path (`riders.0.name`) stands in a text of JSON, as far as the path leads there. */
export function placeOfPath(text: string, path: string): Place {
  const wanted = path === '' ? [] : path.split('.');
  let at = 0;
  const skip = (): void => {
    while (/[\s,:]/.test(text[at] ?? '')) at++;
  };
  const string = (): string => {
    const from = at++;
    while (at < text.length && text[at] !== '"') at += text[at] === '\\' ? 2 : 1;
    at++;
    return text.slice(from + 1, at - 1);
  };
  /** Steps over one value, whatever is in it. */
  const over = (): void => {
    skip();
    if (text[at] === '"') return void string();
    if (text[at] !== '{' && text[at] !== '[') {
      while (at < text.length && !/[\s,\]}]/.test(text[at] ?? '')) at++;
      return;
    }
    let depth = 0;
    do {
      const one = text[at];
      if (one === '"') string();
      else {
        if (one === '{' || one === '[') depth++;
        if (one === '}' || one === ']') depth--;
        at++;
      }
    } while (depth > 0 && at < text.length);
  };
  skip();
  for (const key of wanted) {
    const start = at;
    const opens = text[at];
    if (opens !== '{' && opens !== '[') break;
    at++;
    for (let i = 0; ; i++) {
      skip();
      if (at >= text.length || text[at] === '}' || text[at] === ']') return placeAt(text, start);
      const name = opens === '{' ? string() : String(i);
      skip();
      if (name === key) break;
      over();
    }
  }
  return placeAt(text, at);
}
