import { describe, expect, test } from 'vitest';
import { pathThrough } from '../geometry/index.ts';
import { readSvgArt } from './art/index.ts';
import { outlinesFromPathData } from '../drawing/path-data.ts';

describe('path data', () => {
  const read = (d: string) => {
    const result = outlinesFromPathData(d);
    if (!result.ok) throw new Error(result.message);
    return result.outlines;
  };
  test.each([
    ['M0 0L30 40', 50],
    ['m10 10l30 40', 50],
    ['M0 0H30V40', 70],
    ['M0 0h30v40z', 120],
    ['M0 0 30 40', 50],
    ['M0 0Q50 0 100 0', 100],
    ['M0 0T50 0T100 0', 100],
    ['M0 0C10 0 20 0 30 0S50 0 60 0', 60],
  ])('%s is %f px long', (d, length) => {
    const [outline] = read(d);
    expect(pathThrough(outline!.nodes, outline!.closed).length).toBeCloseTo(length, 9);
  });
  test('arcs make a true circle', () => {
    const [outline] = read('M-50 0A50 50 0 0 1 50 0A50 50 0 0 1 -50 0Z');
    const path = pathThrough(outline!.nodes, outline!.closed);
    expect(path.length).toBeCloseTo(2 * Math.PI * 50, 2);
    for (let i = 0; i < 40; i++) {
      const { x, y } = path.frameAtDistance((path.length * i) / 40);
      expect(Math.hypot(x, y)).toBeCloseTo(50, 2);
    }
  });
  test('several subpaths, and closing without doubling the first node', () => {
    const outlines = read('M0 0L10 0L10 10L0 0Z M20 20L30 30');
    expect(outlines.map(({ closed, nodes }) => [closed, nodes.length])).toEqual([
      [true, 3],
      [false, 2],
    ]);
  });
  test.each(['', 'M', 'hello', 'L0 0', 'M0 0L1'])('bad data "%s" is told', (d) =>
    expect(outlinesFromPathData(d).ok).toBe(false),
  );
});

describe('SVG files', () => {
  const art = (text: string) => {
    const read = readSvgArt(text);
    if (!read.ok) throw new Error(read.message);
    return read.art;
  };
  const svg = (inner: string, more = 'width="10" height="10"'): string =>
    `<svg xmlns="http://www.w3.org/2000/svg" ${more}>${inner}</svg>`;
  const rect = '<rect width="9" height="9"/>';
  test.each([
    ['width="10" height="20"', 10, 20],
    ['width="1in" height="25.4mm"', 96, 96],
    ['viewBox="0 0 30 40"', 30, 40],
    ['width="60" viewBox="0 0 30 40"', 60, 80],
    ['width="100%" height="100%" viewBox="5 5 30 40"', 30, 40],
    ['', 300, 150],
  ])('the size of %s', (more, width, height) => {
    const { width: w, height: h } = art(svg(rect, more));
    expect([w, h]).toEqual([expect.closeTo(width, 9), expect.closeTo(height, 9)]);
  });
  test('style sheets become attributes, the strongest rule wins, nothing of them stays', () => {
    const { markup } = art(
      svg(
        `<style>rect{fill:red;stroke:blue}.a{fill:green}</style><rect class="a" width="9" height="9" style="stroke:#123456"/>`,
      ),
    );
    expect(markup).toMatch(/fill="green"/);
    expect(markup).toMatch(/stroke="#123456"/);
    expect(markup).not.toMatch(/class|style/);
  });
  test('what is left out is said', () => {
    expect(art(svg(`<script>1</script>${rect}`)).notices.join()).toMatch(/script/);
    expect(art(svg(`<image href="a.png"/>${rect}`)).notices.join()).toMatch(/picture/);
    expect(art(svg(`<animate attributeName="x"/>${rect}`)).notices.join()).toMatch(/animation/);
    expect(art(svg(`<text font-family="'Quay Hand', sans-serif">x</text>`)).notices.join()).toMatch(/"Quay Hand"/);
    expect(art(svg(`<text font-family="sans-serif">x</text>`)).notices).toEqual([]);
  });
  test.each([
    ['', /empty/],
    ['   \n', /empty/],
    ['hello', /no SVG/],
    ['<html><body></body></html>', /no SVG/],
    [svg(''), /nothing is drawn/],
    [`${svg(rect).slice(0, -6)}`, /cut off/],
    [svg('<g>') + '</g>', /./],
    [`<!DOCTYPE svg [<!ENTITY a "&b;">]>${svg(rect)}`, /entities inside entities/],
    [svg('<g id="a"><use href="#a"/></g>'), /circle/],
    ['<g><svg></svg></g>', /begin with <svg>/],
  ])('%s is refused', (text, reason) => {
    const read = readSvgArt(text);
    expect(read.ok ? '' : read.message).toMatch(reason);
  });
});
