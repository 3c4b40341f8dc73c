import { readFileSync } from 'node:fs';
import { describe, expect, test } from 'vitest';
import { pathThrough } from '../../geometry/index.ts';
import { readArtMarkup, type Art } from '../../scene/index.ts';
import { sceneOf } from '../../testing/scenes.ts';
import { outlinesFromPathData } from '../../drawing/path-data.ts';
import { readFont, type Font } from './fonts.ts';
import { familiesOfArt, outlinedArt, outlinedScene, textDrawing } from './lettering.ts';
import { familiesIn, outlinedTexts } from './texts.ts';

const filed = (name: string): ArrayBuffer => {
  const { buffer, byteOffset, length } = readFileSync(`node_modules/@fontsource/${name}`);
  return buffer.slice(byteOffset, byteOffset + length);
};
const PLAIN = readFont(filed('figtree/files/figtree-latin-400-normal.woff'));
const BOLD = readFont(filed('figtree/files/figtree-latin-700-normal.woff'));
const ITALIC = readFont(filed('figtree/files/figtree-latin-400-italic.woff'));
const MONO = readFont(filed('commit-mono/files/commit-mono-latin-400-normal.woff'));

const drawing = (inner: string): string =>
  `<svg xmlns="http://www.w3.org/2000/svg" width="200" height="80">${inner}</svg>`;

/** The boxes of a drawing's paths, px. */
const boxesIn = (markup: string) =>
  [...markup.matchAll(/ d="([^"]*)"/g)].map(([, data]) => {
    const read = outlinesFromPathData(data!);
    if (!read.ok) throw new Error('no path');
    const all = read.outlines.map(({ nodes, closed }) => pathThrough(nodes, closed).bounds);
    return {
      left: Math.min(...all.map(({ left }) => left)),
      right: Math.max(...all.map(({ right }) => right)),
      top: Math.min(...all.map(({ top }) => top)),
      bottom: Math.max(...all.map(({ bottom }) => bottom)),
    };
  });

const madeOf = (inner: string, fonts: readonly Font[] = [MONO]): string => {
  const { markup, left } = outlinedTexts(drawing(inner), fonts);
  expect(left).toEqual([]);
  expect(readArtMarkup(markup).ok).toBe(true);
  expect(markup).not.toContain('<text');
  return markup;
};

describe('fonts', () => {
  test('a font knows its family, its weight and its slope', () => {
    expect(PLAIN).toMatchObject({ weight: 400, isItalic: false });
    expect(PLAIN.families).toContain('figtree');
    expect(BOLD.weight).toBe(700);
    expect(ITALIC.isItalic).toBe(true);
    expect(MONO.families).toContain('commitmono');
  });
  test('what is no font is said', () => {
    expect(() => readFont(new TextEncoder().encode('<svg/>').buffer)).toThrow('not a font file');
    expect(() => readFont(new TextEncoder().encode('wOF2 and more').buffer)).toThrow('WOFF 2');
    expect(() => readFont(filed('figtree/files/figtree-latin-400-normal.woff').slice(0, 900))).toThrow('damaged');
  });
  test('a letter that it has not is told', () => {
    expect(MONO.outline('漢', { x: 0, y: 0, size: 10, spacing: 0 })).toBeUndefined();
  });
});

describe('places', () => {
  // In a font whose letters are all as wide, ends are told by counting.
  const advance = MONO.outline('H', { x: 0, y: 0, size: 20, spacing: 0 })!.width;
  const bar = boxesIn(madeOf('<text x="0" y="0" font-size="20">H</text>'))[0]!;

  test('from its place on, about it, or up to it; its baseline at its place', () => {
    for (const [anchor, share] of [
      ['start', 0],
      ['middle', 0.5],
      ['end', 1],
    ] as const) {
      const [box] = boxesIn(madeOf(`<text x="90" y="50" font-size="20" text-anchor="${anchor}">HHH</text>`));
      expect(box!.left, anchor).toBeCloseTo(90 - share * 3 * advance + bar.left, 2);
      expect(box!.bottom, anchor).toBeCloseTo(50, 2);
    }
  });
  test('pieces follow each other, moved by what they say, each from its own place where it has one', () => {
    const boxes = boxesIn(
      madeOf(
        '<text x="10" y="20" font-size="20">HH<tspan dx="5" dy="7" fill="red">H</tspan>H<tspan x="100" y="60">H</tspan></text>',
      ),
    );
    expect(boxes.map(({ left }) => left - bar.left)).toEqual(
      [10, 10 + 2 * advance + 5, 10 + 3 * advance + 5, 100].map((x): unknown => expect.closeTo(x, 2)),
    );
    expect(boxes.map(({ bottom }) => bottom)).toEqual([20, 27, 27, 60].map((y): unknown => expect.closeTo(y, 2)));
  });
  test('white space is one space between words and none at the ends, also where it stands before a piece', () => {
    const plain = madeOf('<text x="10" y="20">a b</text>');
    expect(madeOf('<text x="10" y="20">\n  a \n\t b  </text>')).toBe(plain);
    const [box] = boxesIn(madeOf('<text x="10" y="20" font-size="20">\n  <tspan>H</tspan>\n</text>'));
    expect(box!.left - bar.left).toBeCloseTo(10, 2);
    const kept = boxesIn(madeOf('<text x="10" y="20" font-size="20" xml:space="preserve">  H</text>'));
    expect(kept[0]!.left - bar.left).toBeCloseTo(10 + 2 * advance, 2);
  });
  test('letters are spaced', () => {
    const [box] = boxesIn(madeOf('<text y="20" font-size="20" letter-spacing="3">HHH</text>'));
    expect(box!.right - box!.left).toBeCloseTo(2 * (advance + 3) + bar.right - bar.left, 2);
  });
});

test('paint, moves and ids stay, what is said of letters goes', () => {
  expect(
    madeOf(
      '<g fill="blue" font-size="20" font-family="Commit Mono"><text id="a" transform="rotate(9)" x="3" y="9" opacity=".5">H<tspan fill="red" stroke="#000" font-weight="bold">H</tspan></text></g>',
    ).replace(/ d="[^"]*"/g, ''),
  ).toBe(
    drawing(
      '<g fill="blue" font-size="20" font-family="Commit Mono"><g id="a" transform="rotate(9)" opacity=".5"><path/><path fill="red" stroke="#000"/></g></g>',
    ),
  );
});

describe('which font', () => {
  const all = [PLAIN, BOLD, ITALIC, MONO];
  const dataBy = (attributes: string, fonts: readonly Font[] = all): string | undefined =>
    / d="([^"]*)"/.exec(madeOf(`<text y="20" font-size="20" ${attributes}>a</text>`, fonts))?.[1];
  const dataOf = (font: Font): string => font.outline('a', { x: 0, y: 20, size: 20, spacing: 0 })!.data;
  test.each([
    ['font-family="Figtree"', PLAIN],
    ['font-family="\'FIGTREE\', serif" font-weight="bold"', BOLD],
    ['font-family="Figtree" font-weight="600"', BOLD],
    ['font-family="Figtree" font-style="italic"', ITALIC],
    ['font-family="Nothing, Commit Mono"', MONO],
  ])('%s', (attributes, font) => expect(dataBy(attributes)).toBe(dataOf(font)));
  test('the only one is taken for any; among several none', () => {
    expect(dataBy('font-family="Nothing"', [BOLD])).toBe(dataOf(BOLD));
    expect(outlinedTexts(drawing('<text font-family="Nothing">Tea</text>'), all)).toMatchObject({
      count: 0,
      left: ['“Tea” stays text: none of the fonts is “Nothing”.'],
    });
  });
});

test.each([
  ['<text x="1 2 3">Tea</text>', 'one by one'],
  ['<text rotate="9">Tea</text>', 'turned'],
  ['<text textLength="90">Tea</text>', 'fitted'],
  ['<text dominant-baseline="middle">Tea</text>', 'baseline'],
  ['<text writing-mode="tb">Tea</text>', 'across'],
  ['<text text-decoration="underline">Tea</text>', 'underlined'],
  ['<text font-size="2em">Tea</text>', '“2em”'],
  ['<text>漢</text>', 'all of its letters'],
  ['<defs><path id="p" d="M0 0H9"/></defs><text><textPath href="#p">Tea</textPath></text>', '<textPath>'],
])('what is not outlined stays as it was, and why is said: %s', (inner, why) => {
  const whole = drawing(`${inner}<text>Milk</text>`);
  const { markup, count, left } = outlinedTexts(whole, [MONO]);
  expect(count).toBe(1);
  expect(left).toEqual([expect.stringContaining(why)]);
  expect(markup).toContain(inner);
});

test('art, strips and scenes: what has text is another object, what has none the same', () => {
  const box = { width: 200, height: 80, pivot: [0, 0] as [number, number], facing: 0 };
  const told: Art = {
    kind: 'svg',
    id: 'a',
    name: 'Board',
    ...box,
    markup: drawing('<text font-family="Figtree">Tea</text>'),
  };
  const silent: Art = { kind: 'svg', id: 'b', name: 'Box', ...box, markup: drawing('<rect width="9" height="9"/>') };
  const strip: Art = {
    kind: 'strip',
    id: 's',
    name: 'Sign',
    ...box,
    poses: [
      { kind: 'svg', markup: silent.markup },
      { kind: 'svg', markup: drawing('<text font-family="Commit Mono">Milk</text>') },
    ],
  };
  expect([told, silent, strip].map(familiesOfArt)).toEqual([['Figtree'], [], ['Commit Mono']]);
  expect(familiesIn(drawing('<text>a<tspan font-family="Figtree">b</tspan></text>'))).toEqual([
    'sans-serif',
    'Figtree',
  ]);
  expect(outlinedArt(silent, [MONO]).made).toBe(silent);
  const { made, count } = outlinedArt(strip, [MONO]);
  expect(count).toBe(1);
  expect(made.kind === 'strip' && made.poses[0]).toBe(strip.poses[0]);
  const scene = sceneOf({ art: [told, silent, strip] });
  const outlined = outlinedScene(scene, [PLAIN, MONO]);
  expect(outlined).toMatchObject({ count: 2, left: [] });
  expect(outlined.made.art[1]).toBe(scene.art[1]);
  expect(outlinedScene(scene, [PLAIN, BOLD]).left).toEqual([
    '“Sign”: “Milk” stays text: none of the fonts is “Commit Mono”.',
  ]);
});

test('a text by itself is a drawing as large as its letters; one that the font has not is none', () => {
  const made = textDrawing(MONO, 'Hig', { size: 40, color: '#112233' })!;
  expect(readArtMarkup(made).ok).toBe(true);
  const [, width, height] = /width="([\d.]+)" height="([\d.]+)"/.exec(made)!;
  const [box] = boxesIn(made);
  expect([box!.left, box!.top].every((one) => Math.abs(one) < 0.01)).toBe(true);
  expect([box!.right, box!.bottom].map((one) => one.toFixed(1))).toEqual(
    [width, height].map((one) => Number(one).toFixed(1)),
  );
  expect(textDrawing(MONO, ' ', { size: 40, color: '#112233' })).toBeUndefined();
  expect(textDrawing(MONO, '漢', { size: 40, color: '#112233' })).toBeUndefined();
});
