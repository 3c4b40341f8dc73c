import { expect, test } from 'vitest';
import { emptyScene, newRider, POSE, prepare, type Art, type Scene } from '@pace-line/core';
import { facingTowards, inArt, pivotNear } from './aim.ts';

const ART: Art = {
  ...{ id: 'a', name: 'A', kind: 'svg', markup: '', width: 80, height: 40 },
  ...{ pivot: [20, 20], facing: 0 },
};
const scene: Scene = {
  ...emptyScene('S'),
  art: [ART],
  riders: [newRider({ id: 'r', name: 'R', art: 'a', at: [300, 200], stand: 90, scale: [2, -1] })],
};
const pose = prepare(scene).riders[0]!.poseAt(0);
const onCanvas = (x: number, y: number): [number, number] => [
  pose[POSE.a]! * x + pose[POSE.c]! * y + pose[POSE.e]!,
  pose[POSE.b]! * x + pose[POSE.d]! * y + pose[POSE.f]!,
];

test('a point of the canvas in px of turned, scaled and flipped art', () => {
  const [x, y] = inArt(pose, ART.pivot, onCanvas(55, 7));
  expect([x, y]).toEqual([expect.closeTo(55, 9), expect.closeTo(7, 9)]);
});
test('the pivot snaps to middle, edges and corners within reach, each axis by itself', () => {
  expect(pivotNear(pose, ART, onCanvas(2, 37), 9)).toEqual([0, 40]);
  expect(pivotNear(pose, ART, onCanvas(43, 12), 9)).toEqual([40, 20]);
  expect(pivotNear(pose, ART, onCanvas(30, 12), 0)).toEqual([30, 12]);
});
test('the nose points to where it was drawn, in the art’s own way round', () => {
  expect(facingTowards(pose, ART.pivot, onCanvas(60, 20), false)).toBe(0);
  expect(facingTowards(pose, ART.pivot, onCanvas(20, 60), false)).toBe(90);
  expect(facingTowards(pose, ART.pivot, onCanvas(20 + 40, 20 + 38), true)).toBe(45);
});
