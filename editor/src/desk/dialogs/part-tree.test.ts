import { expect, test } from 'vitest';
import { readSvgParts } from '@pace-line/core/art-import';
import { listedParts, roleOf, type ListedPart } from './part-tree.ts';

const read = readSvgParts(
  '<svg xmlns="http://www.w3.org/2000/svg" width="100" height="100"><rect id="sky" width="9" height="9"/>' +
    '<g id="boat" transform="translate(10 0)"><path id="hull" d="M0 0L9 0L9 9Z"/><g id="sails"><rect id="jib" width="3" height="3"/><path id="line" d="M0 0L9 9" fill="none" stroke="red"/></g></g></svg>',
);
if (!read.ok) throw new Error(read.message);
const { parts } = read.parts;
const listed = (...opened: string[]): readonly ListedPart[] => listedParts(parts, new Set(opened));
const names = (all: readonly ListedPart[]): string[] => all.map(({ part, depth }) => `${depth} ${part.name}`);

test('a group is one part until it is opened, and so is a group within it', () => {
  expect(names(listed())).toEqual(['0 Sky', '0 Boat']);
  expect(names(listed('1'))).toEqual(['0 Sky', '0 Boat', '1 Hull', '1 Sails']);
  expect(names(listed('1', '1.1'))).toEqual(['0 Sky', '0 Boat', '1 Hull', '1 Sails', '2 Jib', '2 Line']);
  // What is opened within a closed group waits.
  expect(names(listed('1.1'))).toEqual(['0 Sky', '0 Boat']);
});

test('what is in a group stands where the group has it', () => {
  const [, , hull] = listed('1');
  expect(hull!.part.outlines[0]!.nodes.map(({ x, y }) => [x, y])).toEqual([
    [10, 0],
    [19, 0],
    [19, 9],
  ]);
});

test('what is said of a group holds for its parts until something is said of them', () => {
  const all = listed('1', '1.1');
  const roles = (said: [string, 'rider' | 'guide' | 'none'][]) => all.map((one) => roleOf(one, new Map(said)));
  expect(roles([])).toEqual(['scenery', 'scenery', 'scenery', 'scenery', 'scenery', 'guide']);
  expect(roles([['1', 'rider']]).slice(1)).toEqual(['rider', 'rider', 'rider', 'rider', 'rider']);
  expect(
    roles([
      ['1', 'rider'],
      ['1.1.0', 'none'],
    ]).slice(4),
  ).toEqual(['none', 'rider']);
});
