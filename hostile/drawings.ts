/** A file that somebody could drop on the Desk, meaning harm or not. */
export interface HostileDrawing {
  readonly name: string;
  /** From 0, a plain file, to 1, more than anybody draws. */
  readonly size: number;
  readonly text: string;
}

const svg = (inner: string, attributes = ''): string =>
  `<svg xmlns="http://www.w3.org/2000/svg" viewBox="0 0 100 100" ${attributes}>${inner}</svg>`;
const RECT = '<rect width="5" height="5"/>';
const times = (count: number, make: (i: number) => string, between = ''): string =>
  Array.from({ length: Math.round(count) }, (_, i) => make(i)).join(between);
const rect = (attributes: string): string => svg(`<rect width="5" height="5" ${attributes}/>`);

/** Definitions that each paint the one before several times: `depth` of them. */
const chain = (depth: number, wrap: (i: number, inner: string) => string, paint: (i: number) => string): string =>
  svg(`<defs>${times(depth, (i) => wrap(i, i === 0 ? RECT : times(5, () => paint(i - 1))))}</defs>${paint(depth - 1)}`);

/** Kinds of drawings by what they strain, each in a size from 0 (a plain file) to 1 (more than anybody draws). */
const KINDS: Readonly<Record<string, (size: number) => string>> = {
  'spaces in an open reference': (s) => rect(`fill="url(${' '.repeat(s * 2e5)}x"`),
  'spaces about a reference': (s) => rect(`fill="url(${' '.repeat(s * 2e5)}#a${' '.repeat(s * 2e5)})"`),
  'open references': (s) => rect(`fill="${'url('.repeat(s * 1e5)}"`),
  'open references with quotes': (s) => rect(`fill="${"url('".repeat(s * 1e5)}"`),
  'references outside': (s) =>
    svg(times(1 + s * 2000, (i) => `<rect width="5" height="5" fill="url(https://elsewhere.example/${i})"/>`)),
  'entities with spaces': (s) => `<!DOCTYPE svg [<!ENTITY ${' '.repeat(s * 2e5)}>]>${svg(RECT)}`,
  'spaces in a declaration': (s) => svg(`${RECT}<!ENTITY${' '.repeat(s * 2e5)}`),
  'declarations without end': (s) => svg(`${'<!X '.repeat(s * 5e4)}${RECT}`),
  'many entities': (s) => `<!DOCTYPE svg [${times(s * 2e4, (i) => `<!ENTITY e${i} "v">`)}]>${svg(RECT)}`,
  'entities in entities': (s) =>
    `<!DOCTYPE svg [<!ENTITY a0 "x">${times(1 + s * 20, (i) => `<!ENTITY a${i + 1} "&a${i};&a${i};">`)}]>${svg(`<text>&a${Math.round(s * 20)};</text>`)}`,
  'an entity many times': (s) =>
    `<!DOCTYPE svg [<!ENTITY e "${'v'.repeat(1000)}">]>${svg(`<text>${'&e;'.repeat(1 + s * 2e4)}</text>`)}`,
  'gaps between transforms': (s) => rect(`style="transform:${'rotate(1)     '.repeat(s * 5000)}x"`),
  'a long transform': (s) => rect(`transform="${'rotate(1) '.repeat(s * 1e5)}"`),
  'digits without end': (s) => rect(`x="${'1'.repeat(1 + s * 1e5)}" style="transform:${'1'.repeat(s * 1e5)}"`),
  'ids that become the same': (s) =>
    svg(times(1 + s * 6000, (i) => `<g id="${String.fromCharCode(0x4e00 + i)}"/>`) + RECT),
  'ids given twice': (s) => svg(times(1 + s * 6000, (i) => `<rect id="a${i % 7}" width="5" height="5"/>`)),
  'a length with spaces': (s) => svg(RECT, `width="5${' '.repeat(s * 2e5)}!"`),
  'brackets in a style': (s) => rect(`style="fill:${'('.repeat(s * 3e5)}"`),
  'declarations in a style': (s) => rect(`style="${'a:b;'.repeat(s * 2e5)}"`),
  'groups in groups': (s) => svg(`${'<g>'.repeat(1 + s * 2e4)}${RECT}${'</g>'.repeat(1 + s * 2e4)}`),
  attributes: (s) => svg(`<rect width="5" height="5" ${times(s * 4e5, (i) => `a${i}=""`, ' ')}/>`),
  elements: (s) => svg(RECT.repeat(1 + s * 1e5)),
  'rules of a style sheet': (s) =>
    svg(`<style>${times(s * 4000, (i) => `.c${i}{fill:red}`)}</style>${RECT.repeat(1 + s * 3000)}`),
  'a long selector': (s) => svg(`<style>${'g '.repeat(s * 4e4)}{fill:red}</style>${RECT.repeat(50)}`),
  'selectors that multiply': (s) =>
    svg(`<style>${times(s * 300, () => ':not(g):nth-child(n) *{fill:red}')}</style>${RECT.repeat(1 + s * 3000)}`),
  'declarations that multiply': (s) =>
    svg(`<style>rect{${times(s * 4000, (i) => `--a${i}:1`, ';')}}</style>${RECT.repeat(1 + s * 1000)}`),
  'selectors of one rule': (s) =>
    svg(`<style>${times(1 + s * 6000, (i) => `rect:not(.a${i})`, ',')}{fill:red}</style>${RECT.repeat(1 + s * 1000)}`),
  'a style that grows': (s) =>
    svg(`<style>rect{font-family:"${'x'.repeat(s * 4000)}"}</style>${RECT.repeat(1 + s * 4000)}`),
  'pieces of text': (s) => svg(`<text>${'<tspan>a</tspan>'.repeat(1 + s * 2e4)}</text>`),
  'text on a path': (s) =>
    svg(`<path id="p" d="M0 0L99 0"/><text><textPath href="#p">${'a'.repeat(1 + s * 1e6)}</textPath></text>`),
  arcs: (s) => svg(`<path d="M0 0${'A5 5 0 0 1 10 10'.repeat(s * 4e4)}"/>`),
  'a long line': (s) => svg(`<path d="M0 0${'L1 1'.repeat(s * 1e6)}"/>`),
  'points of a polygon': (s) => svg(`<polygon points="${'1,1 '.repeat(s * 1e6)}"/>`),
  'a comment': (s) => svg(`${RECT}<!--${'- '.repeat(s * 1e6)}-->`),
  'sections of characters': (s) => svg(`<text>${'<![CDATA[a]]>'.repeat(1 + s * 2e4)}</text>`),
  'things that use things': (s) =>
    chain(
      2 + s * 18,
      (i, inner) => `<g id="g${i}">${inner}</g>`,
      (i) => `<use href="#g${i}"/>`,
    ),
  'masks in masks': (s) =>
    chain(
      2 + s * 12,
      (i, inner) => `<mask id="m${i}">${inner}</mask>`,
      (i) => `<rect width="5" height="5" mask="url(#m${i})"/>`,
    ),
  'clips in clips': (s) =>
    chain(
      2 + s * 12,
      (i, inner) => `<clipPath id="m${i}">${inner}</clipPath>`,
      (i) => `<rect width="5" height="5" clip-path="url(#m${i})"/>`,
    ),
  'patterns in patterns': (s) =>
    chain(
      2 + s * 12,
      (i, inner) => `<pattern id="p${i}" width="1" height="1">${inner}</pattern>`,
      (i) => `<rect width="5" height="5" fill="url(#p${i})"/>`,
    ),
  'markers in markers': (s) =>
    chain(
      2 + s * 12,
      (i, inner) => `<marker id="k${i}">${inner}</marker>`,
      (i) => `<path d="M0 0L1 1L2 0" marker-mid="url(#k${i})"/>`,
    ),
  'markers at corners': (s) =>
    svg(
      `<marker id="m">${RECT.repeat(1 + s * 100)}</marker><path d="M0 0${'L1 1'.repeat(s * 1e4)}" marker-mid="url(#m)"/>`,
    ),
  'filters by number': (s) =>
    svg(
      `<filter id="f">${'<feGaussianBlur stdDeviation="3"/>'.repeat(1 + s * 20)}</filter>${'<rect width="5" height="5" filter="url(#f)"/>'.repeat(1 + s * 500)}`,
    ),
  'filters on groups in groups': (s) =>
    svg(
      `<filter id="f"><feGaussianBlur stdDeviation="9"/></filter>${'<g filter="url(#f)">'.repeat(1 + s * 150)}${RECT}${'</g>'.repeat(1 + s * 150)}`,
    ),
  'a wide blur': (s) =>
    svg(
      `<filter id="f"><feGaussianBlur stdDeviation="${1 + s * 1e6}"/></filter><rect width="5" height="5" filter="url(#f)"/>`,
    ),
  'turbulence everywhere': (s) =>
    svg(
      `<filter id="f" x="-9" y="-9" width="${1 + s * 1e4}" height="${1 + s * 1e4}"><feTurbulence numOctaves="${1 + s * 1e6}"/></filter>${'<rect width="99" height="99" filter="url(#f)"/>'.repeat(1 + s * 20)}`,
    ),
  'colours of a gradient': (s) =>
    svg(
      `<linearGradient id="g">${'<stop offset="0"/>'.repeat(2 + s * 3e4)}</linearGradient><rect width="5" height="5" fill="url(#g)"/>`,
    ),
  'fine dashes': (s) =>
    svg(`<path d="M0 0L99999 9" stroke="red" stroke-dasharray="${2 - s * 1.999} ${1 - s * 0.999}"/>`),
  'a wide stroke': (s) => svg(`<path d="M0 0L9 9" stroke="red" stroke-width="${1 + s * 1e12}"/>`),
  'a large box': (s) =>
    `<svg xmlns="http://www.w3.org/2000/svg" width="${10 + s * 1e9}" height="${10 + s * 1e9}">${RECT}</svg>`,
  'a small box': (s) => `<svg xmlns="http://www.w3.org/2000/svg" viewBox="0 0 ${1 - s} ${1 - s}">${RECT}</svg>`,
  'far away': (s) => svg(`<path d="M${-s * 1e30} 0L${s * 1e30} ${s * 1e300}"/>`),
  'names of objects': (s) =>
    svg(
      `${times(1 + s * 200, (i) => `<${['constructor', 'toString', 'valueOf', 'hasOwnProperty'][i % 4]} __proto__="1"/>`)}<rect width="5" height="5" constructor="a" id="__proto__"/><use href="#__proto__"/>`,
    ),
  'characters that are none': (s) =>
    svg(`<title>${'\u0001\uFFFE\uD800'.repeat(1 + s * 1e5)}</title><text>\u0008${RECT ? 'a' : ''}</text>${RECT}`),
  scripts: (s) =>
    svg(
      times(
        1 + s * 1000,
        (i) =>
          `<script>alert(${i})</script><rect width="5" height="5" onload="alert(1)"/><a href="javascript:alert(1)">${RECT}</a><foreignObject><img src="x" onerror="alert(1)"/></foreignObject>`,
      ),
    ),
  'sheets from outside': (s) =>
    svg(
      `<style>${times(1 + s * 500, (i) => `@import url(https://elsewhere.example/${i}.css);`)}rect{fill:url(//elsewhere.example/a)}</style>${RECT}`,
    ),
  'cut off': (s) => svg(RECT.repeat(1 + s * 2e4)).slice(0, -20),
  'no drawing': (s) => '<html><body>' + '<p>a</p>'.repeat(1 + s * 1e5),
};

/** Sizes from plain to more than a file may have. */
const SIZES = [0.004, 0.15, 1] as const;

/** Every kind in several sizes: the same files in every run. */
export const hostileDrawings = (): HostileDrawing[] =>
  Object.entries(KINDS).flatMap(([kind, make]) =>
    SIZES.map((size) => ({ name: `${kind}, ${size}`, size, text: make(size) })),
  );
