// @vitest-environment jsdom
import { expect, test } from 'vitest';
import { throughGate, throughGateInTurns } from './art-gate.ts';

const svg = (inner: string): string =>
  `<svg xmlns="http://www.w3.org/2000/svg" viewBox="0 0 9 9" id="r">${inner}</svg>`;

/** What may not come in, however deep it stands, between what may. */
const PIECES = [
  '<rect width="5" height="5" fill="url(#a)" onclick="alert(1)"/>',
  '<script>alert(1)</script>',
  '<foreignObject><body xmlns="http://www.w3.org/1999/xhtml"><b onload="alert(1)">b</b></body></foreignObject>',
  '<text x="1">one <tspan dy="2">two</tspan> three</text>',
  '<use href="https://elsewhere.example/#a"/><use href="#r"/>',
  '<image href="javascript:alert(1)" width="1" height="1"/>',
  '<path d="M0 0L9 9" style="fill:red"/><animate attributeName="x" to="9"/>',
];

function tree(random: () => number, depth: number): string {
  const parts = Array.from({ length: 2 + Math.floor(random() * 8) }, () =>
    depth > 0 && random() < 0.6 ? tree(random, depth - 1) : (PIECES[Math.floor(random() * PIECES.length)] ?? ''),
  );
  return `<g opacity="0.5" onload="alert(1)">${parts.join('')}</g>`;
}

test('a large drawing that is cleaned in turns is the same as cleaned at once, and nothing comes in that may not', async () => {
  for (let seed = 1; seed <= 2; seed++) {
    let state = seed;
    const random = (): number => (state = (state * 48271) % 2147483647) / 2147483647;
    const trees = Array.from({ length: 12 }, () => tree(random, 2)).join('');
    const markup = svg(`${PIECES[0]}<g>${trees}</g>`);
    const [turns, once] = [await throughGateInTurns(markup), throughGate(markup)];
    expect(turns?.querySelectorAll('*').length).toBeGreaterThan(400);
    expect(turns?.outerHTML).toBe(once?.outerHTML);
    expect(turns?.outerHTML).not.toMatch(/alert|script|foreignObject|elsewhere|onload/i);
  }
});

test('the page answers between its turns', async () => {
  let answered = 0;
  const timer = setInterval(() => answered++, 0);
  await throughGateInTurns(svg('<rect width="1" height="1"/>'.repeat(2500)));
  clearInterval(timer);
  expect(answered).toBeGreaterThan(3);
});

test('what is small, no drawing or no XML goes as before', async () => {
  const small = svg('<rect width="1" height="1" onclick="alert(1)"/>');
  expect((await throughGateInTurns(small))?.outerHTML).toBe(throughGate(small)?.outerHTML);
  expect(await throughGateInTurns('<p>no')).toBe(throughGate('<p>no'));
  const undeclared = svg(`${'<rect width="1" height="1"/>'.repeat(500)}<use xlink:href="#r"/>`);
  expect((await throughGateInTurns(undeclared))?.outerHTML).toBe(throughGate(undeclared)?.outerHTML);
});
