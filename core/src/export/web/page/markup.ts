/** Builds one element of a drawing from its name, its attributes and what is within it. */
export type Make<T> = (name: string, attributes: Record<string, string>, children: (T | string)[]) => T;

/** Turns and scales are about the canvas's corner, whatever a page says of its drawings; text is not the page's. */
const STANDING = 'transform-box:view-box;transform-origin:0 0;';

const ENTITIES: Readonly<Record<string, string>> = { amp: '&', lt: '<', gt: '>', quot: '"' };

const plain = (text: string): string => text.replace(/&(\w+);/g, (_, name: string) => ENTITIES[name]!);

/**
 * The drawing as it stands at first, built by what is given: no text is handed to the page as markup, and what it says of style is put on by whoever builds, as strict policies ask. `tail`
 * goes into each of its ids, so that no two drawings of a page have one.
 */
export function picture<T>(make: Make<T>, tail = ''): T {
  type Open = [name: string, attributes: Record<string, string>, children: (T | string)[]];
  const open: Open[] = [['', {}, []]];
  const close = (): void => {
    const one = make(...open.pop()!);
    open[open.length - 1]![2].push(one);
  };
  for (const [, ends, name, given, single, text] of MARKUP.matchAll(
    /<(\/?)([\w:-]+)((?:"[^"]*"|[^>"])*?)(\/?)>|([^<]+)/g,
  )) {
    if (text) open[open.length - 1]![2].push(plain(text));
    else if (ends) close();
    else {
      const attributes: Record<string, string> = {};
      for (const [, key, value] of given!.matchAll(/ ([\w:-]+)="([^"]*)"/g))
        attributes[key!] = plain(key === 'class' ? value! : value!.replaceAll(PREFIX + '-', PREFIX + tail + '-'));
      if (attributes['class']) attributes['style'] = STANDING + (attributes['style'] ?? '');
      open.push([name!, attributes, []]);
      if (single) close();
    }
  }
  return open[0]![2][0] as T;
}

/** Counts the drawings of a page, of whatever module. */
const COUNT = Symbol.for('drawings of this page');

/** A tail that no other drawing of this page has. */
export function newTail(): string {
  const counts = globalThis as Record<symbol, unknown>;
  const count = (counts[COUNT] = Number(counts[COUNT] ?? 0) + 1);
  return 'n' + count;
}

/** An element of the page. What it says of style is set as rules: as an attribute strict policies forbid it. */
export const built: Make<SVGElement> = (name, { style = '', ...attributes }, children) => {
  const one = document.createElementNS<'svg'>('http://www.w3.org/2000/svg', name as 'svg');
  for (const key in attributes) one.setAttribute(key, attributes[key]!);
  one.style.cssText = style;
  one.append(...children);
  return one;
};

/** Sets what an element says of style as rules, where a policy has not heard it. */
export function styled(one: SVGElement): void {
  one.style.cssText = one.getAttribute('style') ?? '';
}
