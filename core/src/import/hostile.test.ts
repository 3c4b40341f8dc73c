import { describe, expect, test } from 'vitest';
import { readArtMarkup } from '../scene/art/index.ts';
import { readSvgArt } from './art/index.ts';

const svg = (inner: string, attributes = ''): string =>
  `<svg xmlns="http://www.w3.org/2000/svg" viewBox="0 0 100 100" ${attributes}>${inner}</svg>`;
const RECT = '<rect width="5" height="5"/>';
const list = (count: number, make: (i: number) => string, between = ''): string =>
  Array.from({ length: count }, (_, i) => make(i)).join(between);

/** Files that took seconds, minutes or for ever: none is longer than the plain one they are measured by. */
const SLOW_ONCE: Readonly<Record<string, string>> = {
  'spaces in a reference that is not closed': svg(`<rect fill="url(${' '.repeat(20_000)}x" width="5" height="5"/>`),
  'spaces in a closed one': svg(
    `<rect fill="url(${' '.repeat(20_000)}#a${' '.repeat(20_000)})" width="5" height="5"/>`,
  ),
  'many references that are not closed': svg(`<rect fill="${'url('.repeat(20_000)}" width="5" height="5"/>`),
  'many that are closed by no quote': svg(`<rect fill="${"url('".repeat(20_000)}" width="5" height="5"/>`),
  'spaces in an entity': `<!DOCTYPE svg [<!ENTITY ${' '.repeat(40_000)}>]>${svg(RECT)}`,
  'spaces after a parameter entity': `<!DOCTYPE svg [<!ENTITY %${' '.repeat(40_000)}>]>${svg(RECT)}`,
  'many entities': `<!DOCTYPE svg [${list(5000, (i) => `<!ENTITY e${i} "v">`)}]>${svg(RECT)}`,
  'gaps between transforms': svg(`<rect style="transform:${'rotate(1)     '.repeat(30)}x" width="5" height="5"/>`),
  'digits without a unit': svg(`<rect style="transform:${'1'.repeat(19_000)}" width="5" height="5"/>`),
  'ids that become the same': svg(list(1500, (i) => `<g id="${String.fromCharCode(0x4e00 + i)}"/>`) + RECT),
  'a length with spaces': svg(RECT, `width="5${' '.repeat(40_000)}!"`),
  'a style of brackets': svg(`<rect style="fill:${'('.repeat(100_000)}" width="5" height="5"/>`),
  'a path of numbers that nearly reach too far': svg(`<path d="M0 0${'L1e38 9'.repeat(30_000)}"/>`),
  'a path of one command that goes on for ever': svg(`<path d="M0 0${'ee1e10'.repeat(30_000)}1e300"/>`),
  'groups in groups': svg(`${'<g>'.repeat(5000)}${RECT}${'</g>'.repeat(5000)}`),
};

function timeOf(text: string): number {
  const begun = performance.now();
  const read = readSvgArt(text);
  // Whatever is taken, a scene file with it opens again.
  if (read.ok) expect(readArtMarkup(read.art.markup).ok).toBe(true);
  return performance.now() - begun;
}

describe('reading takes no longer than a plain drawing of that size', () => {
  const plain = svg(list(6000, (i) => `<rect x="${i % 90}" y="3" width="5" height="5" fill="#123456"/>`));
  const unit = Math.max(timeOf(plain), timeOf(plain));
  test.each(Object.entries(SLOW_ONCE))('%s', (_, text) => {
    expect(text.length).toBeLessThan(plain.length);
    // The best of three: another program that has the machine for a moment is no fault of the text.
    let best = Infinity;
    for (let i = 0; i < 3 && best >= 4 * unit; i++) best = Math.min(best, timeOf(text));
    expect(best).toBeLessThan(4 * unit);
  });
});

describe('what cannot be read or painted in time is refused at once, with the reason', () => {
  const chain = (name: string, use: (i: number) => string, wrap: (id: string, inner: string) => string): string =>
    svg(
      `<defs>${list(12, (i) => wrap(`${name}${i}`, i === 0 ? RECT.repeat(10) : list(6, () => use(i - 1))))}</defs>${use(11)}`,
    );
  test.each<[string, string, RegExp]>([
    ['elements', svg(RECT.repeat(40_000)), /more than 30000 elements/],
    ['attributes', svg(`<rect ${list(620_000, () => 'a=""', ' ')} width="5" height="5"/>`), /attributes/],
    [
      'rules of styles',
      svg(`<style>${list(3000, (i) => `.c${i}{fill:red}`)}</style>${RECT.repeat(3000)}`),
      /too many rules/,
    ],
    [
      'masks in masks',
      chain(
        'm',
        (i) => `<rect width="5" height="5" mask="url(#m${i})"/>`,
        (id, inner) => `<mask id="${id}">${inner}</mask>`,
      ),
      /multiply/,
    ],
    [
      'patterns in patterns',
      chain(
        'p',
        (i) => `<rect width="5" height="5" fill="url(#p${i})"/>`,
        (id, inner) => `<pattern id="${id}" width="1" height="1">${inner}</pattern>`,
      ),
      /multiply/,
    ],
    [
      'markers at every corner',
      svg(
        `<defs><marker id="m">${RECT.repeat(100)}</marker></defs><path d="M0 0${'L1 1'.repeat(3000)}" marker-mid="url(#m)"/>`,
      ),
      /multiply/,
    ],
    [
      'filters by the thousand',
      svg(
        `<defs><filter id="f">${'<feGaussianBlur stdDeviation="3"/>'.repeat(4)}</filter></defs>${'<rect width="5" height="5" filter="url(#f)"/>'.repeat(400)}`,
      ),
      /multiply/,
    ],
    [
      'colours of a gradient',
      svg(`<linearGradient id="g">${'<stop offset="0"/>'.repeat(501)}</linearGradient>${RECT}`),
      /500 colours/,
    ],
    [
      'layers of noise',
      svg('<filter id="f"><feTurbulence numOctaves="99"/></filter><rect width="5" height="5" filter="url(#f)"/>'),
      /noise/,
    ],
    [
      'a filter over all',
      svg('<filter id="f" width="9000%"><feFlood/></filter><rect width="5" height="5" filter="url(#f)"/>'),
      /covers/,
    ],
    ['a page of letters, painted', svg(`<text>${'a'.repeat(250_000)}</text>`), /texts/],
    ['dashes finer than a pixel', svg('<path d="M0 0L9 9" stroke="red" stroke-dasharray=".001 .001"/>'), /finer/],
    [
      'a blur over all',
      svg(
        '<filter id="f"><feGaussianBlur stdDeviation="100000"/></filter><rect width="5" height="5" filter="url(#f)"/>',
      ),
      /blurs over/,
    ],
    [
      'declarations that multiply',
      svg(`<style>rect{${Array.from({ length: 4000 }, (_, i) => `--a${i}:1`).join(';')}}</style>${RECT.repeat(1000)}`),
      /too much of too many/,
    ],
    [
      'selectors of one rule',
      svg(`<style>${'rect,'.repeat(6000)}rect{fill:red}</style>${RECT.repeat(1000)}`),
      /too many selectors/,
    ],
    [
      'a style sheet that an entity holds',
      `<!DOCTYPE svg [<!ENTITY s "rect{${'fill:red;'.repeat(500)}}">]>` + svg(`<style>&s;</style>${RECT.repeat(1000)}`),
      /too much of too many/,
    ],
  ])('%s', (_, text, why) => {
    const read = readSvgArt(text);
    expect(read.ok ? 'taken' : read.message).toMatch(why);
  });
  test('nor the sheets that drawing programs write: a class for each look, thousands of elements that have one', () => {
    const looks = Array.from(
      { length: 300 },
      (_, i) => `.cls-${i}{fill:#${String(100 + i)};stroke-width:2px;stroke:red}`,
    );
    const elements = Array.from({ length: 6000 }, (_, i) => `<path class="cls-${i % 300}" d="M0 0L9 9"/>`);
    const read = readSvgArt(svg(`<style>${looks.join('')}path{opacity:.9}</style>${elements.join('')}`));
    expect(read.ok ? 'taken' : read.message).toBe('taken');
  });
  test('and what people draw is not: shadows, clips, patterns, markers, dashes', () => {
    const read = readSvgArt(
      svg(
        '<defs><filter id="f"><feGaussianBlur stdDeviation="4"/><feOffset dx="2"/></filter><clipPath id="c"><circle r="9"/></clipPath>' +
          '<pattern id="p" width="4" height="4"><circle r="1"/></pattern><marker id="m"><path d="M0 0L3 3"/></marker></defs>' +
          '<rect width="5" height="5" filter="url(#f)" clip-path="url(#c)" fill="url(#p)"/>'.repeat(60) +
          '<path d="M0 0L9 9L18 0" marker-mid="url(#m)" stroke="red" stroke-dasharray="4 2"/>'.repeat(200),
      ),
    );
    expect(read.ok ? '' : read.message).toBe('');
  });
});

describe('names that are properties of objects', () => {
  test('as elements, attributes, ids and entities are names like others', () => {
    const read = readSvgArt(
      svg(
        '<constructor/><toString a=""/><rect constructor="1" toString="2" __proto__="3" id="constructor" width="5" height="5"/><use href="#constructor"/>',
      ),
    );
    if (!read.ok) throw new Error(read.message);
    expect(read.art.notices.join(' ')).not.toMatch(/function|native code/);
    expect(read.art.notices).toContain('<constructor> was left out.');
    expect(read.art.markup).toContain('id="constructor"');
    for (const name of ['constructor', 'toString', '__proto__'])
      expect(readArtMarkup(`<svg><title>&${name};</title></svg>`)).toMatchObject({ ok: false });
  });
  test('src( is a reference as url( is', () => {
    for (const form of ['url', 'src', 'SRC', 'URL'])
      expect(readArtMarkup(`<svg><rect fill="${form}(//elsewhere/a)"/></svg>`).ok).toBe(false);
    expect(readArtMarkup('<svg><rect fill="url(#a)"/></svg>').ok).toBe(true);
  });
});

describe('numbers that no browser reads', () => {
  const said = (d: string): [kept: string | undefined, notices: number] => {
    const read = readSvgArt(svg(`${RECT}<path d="${d}"/>`));
    return read.ok ? [/ d="([^"]*)"/.exec(read.art.markup)?.[1], read.art.notices.length] : [read.message, -1];
  };
  test('a path is cut off before the command that holds one, which is said', () => {
    expect(said('M0 0L9 9 1e300 4Z')).toEqual(['M0 0', 1]);
    expect(said('M0 0C1 1 2 2 3 3l4 4h-1e+39v5')).toEqual(['M0 0C1 1 2 2 3 3l4 4', 1]);
    expect(said(`M0 0h4v${'9'.repeat(40)}`)).toEqual(['M0 0h4', 1]);
  });
  test('what is only far away, or hardly anything, is left as it is', () => {
    for (const d of ['M0 0L1e38 4', 'M0 0L1e-300 4', 'M0 0L3.4e+38-3.4e+38', `M0 0L0.${'3'.repeat(50)} 4`])
      expect(said(d)).toEqual([d, 0]);
  });
});
