import { describe, expect, test } from 'vitest';
import { newGuide, pathData, pathOfGuide, type Node } from '@pace-line/core';
import { piecesOf } from './guides.ts';

const nodesOf = (count: number): Node[] =>
  Array.from({ length: count }, (_, i) => {
    const a = (2 * Math.PI * i) / count;
    return { id: `n${i}`, x: 300 * Math.cos(a), y: 200 * Math.sin(a), in: [3, 4], out: [-3, -4], join: 'smooth' };
  });

const lengthOf = (nodes: readonly Node[], closed: boolean): number =>
  pathOfGuide(newGuide({ id: 'g', name: 'G', color: '#000000', nodes, closed })).length;

describe('a long guide in pieces', () => {
  test.each([
    [97, true],
    [97, false],
    [2000, true],
    [145, false],
  ])('of %i nodes, closed: %s, is the whole one, each piece from where the one before ends', (count, closed) => {
    const nodes = nodesOf(count);
    const pieces = piecesOf(nodes, closed, 48);
    expect(pieces.length).toBe(Math.ceil((closed ? count : count - 1) / 48));
    pieces.slice(1).forEach((piece, i) => expect(piece.nodes[0]).toBe(pieces[i]!.nodes.at(-1)));
    expect(pieces.at(-1)!.nodes.at(-1)).toBe(closed ? nodes[0] : nodes.at(-1));
    const sum = pieces.reduce((total, piece) => total + lengthOf(piece.nodes, false), 0);
    expect(sum).toBeCloseTo(lengthOf(nodes, closed), 6);
  });

  test('a short one is one piece as it is', () => {
    const nodes = nodesOf(40);
    expect(piecesOf(nodes, true, 48)).toEqual([{ nodes, closed: true }]);
    expect(pathData(piecesOf(nodes, true, 48)[0]!.nodes, true)).toMatch(/Z$/i);
  });

  test('moving one node leaves all pieces but its own with the same nodes', () => {
    const nodes = nodesOf(960);
    const moved = nodes.map((node, i) => (i === 500 ? { ...node, x: node.x + 5 } : node));
    const [before, after] = [piecesOf(nodes, true, 48), piecesOf(moved, true, 48)];
    const changed = after.filter((piece, i) => piece.nodes.some((node, k) => node !== before[i]!.nodes[k]));
    expect(changed).toHaveLength(1);
  });
});
