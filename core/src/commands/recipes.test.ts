import { describe, expect, test } from 'vitest';
import { nodesOfShape } from '../geometry/index.ts';
import { prepare } from '../motion/index.ts';
import { newRecipe, type Recipe } from '../pace/index.ts';
import type { Scene } from '../scene/index.ts';
import { BOX_ART, LINE, LOOPS, riderOn, sceneOf } from '../testing/scenes.ts';
import {
  copiesAlong,
  freezeRecipe,
  landAtCorners,
  moveNodes,
  retimeMark,
  setClock,
  setKey,
  setRecipe,
  tieKeys,
} from './index.ts';

const marks = [
  { time: 0, place: { by: 'node', node: 'l1' } },
  { time: 1, place: { by: 'node', node: 'l3' }, dwell: 0.5, ease: { kind: 'spring', overshoot: 10, settle: 1 } },
  { time: 4, place: { by: 'node', node: 'l1', lap: 1 } },
];
const scene = sceneOf({
  clock: { duration: 4, fps: 30, repeat: 'loop' },
  art: [BOX_ART],
  guides: [LOOPS],
  riders: [riderOn('r', 'loops', marks)],
});
const cooked = (recipe: Recipe, from: Scene = scene): Scene => setRecipe(from, { rider: 'r', recipe });
const timesOf = (now: Scene): number[] => now.riders[0]!.pace.marks.map(({ time }) => time);
const RECIPES = (['constant', 'fall', 'bends', 'hop'] as const).map((kind) => newRecipe(kind));

describe('a recipe', () => {
  test.each(RECIPES.map((recipe) => [recipe.kind, recipe] as const))('%s: its marks stand on its line', (_, recipe) => {
    const made = cooked(recipe);
    const moving = prepare(made).riders[0]!;
    const [, second] = made.riders[0]!.pace.marks;
    expect(moving.distanceAt(second!.time)).toBeCloseTo(moving.distanceAt(second!.time + 0.5, -1), 6);
    expect(timesOf(made)[2]).toBeCloseTo(4, 9);
    expect(made.riders[0]!.pace.marks[1]!.ease).toEqual({ kind: 'spring', overshoot: 10, settle: 1 });
  });
  test('it follows the guide when that is reshaped, and the clock', () => {
    const made = cooked(RECIPES[0]!);
    const bent = moveNodes(made, { guide: 'loops', nodes: ['l2'], dx: 0, dy: -200 });
    expect(timesOf(bent)[1]).toBeGreaterThan(timesOf(made)[1]! + 0.01);
    const { riders } = prepare(bent);
    expect(riders[0]!.speedAt(0.3)).toBeCloseTo(riders[0]!.speedAt(3.7), 6);
    const longer = setClock(made, { duration: 8 });
    expect(timesOf(longer)[2]).toBeCloseTo(8, 9);
  });
  test('keys tied to a mark go with it when the guide is reshaped', () => {
    const keyed = setKey(cooked(RECIPES[0]!), {
      ...{ rider: 'r', channel: 'turn', time: timesOf(cooked(RECIPES[0]!))[1]!, value: 20 },
      ids: ['k1', 'k2', 'k3'],
    });
    const tied = tieKeys(keyed, { rider: 'r', keys: ['k1'], mark: 'r-m2' });
    const bent = moveNodes(tied, { guide: 'loops', nodes: ['l2'], dx: 0, dy: -200 });
    expect(bent.riders[0]!.keys.turn[0]!.time).toBeCloseTo(timesOf(bent)[1]!, 9);
  });
  test('a mark between cannot be kept at another time; its place can be changed', () => {
    const made = cooked(RECIPES[0]!);
    expect(timesOf(retimeMark(made, { rider: 'r', mark: 'r-m2', time: 3 }))).toEqual(timesOf(made));
    const moved = retimeMark(made, { rider: 'r', mark: 'r-m2', time: 3, distance: 100 });
    expect(timesOf(moved)[1]).toBeLessThan(timesOf(made)[1]!);
  });
  test('linked copies have it too', () => {
    const two = copiesAlong(scene, { rider: 'r', count: 2, spread: { by: 'time' }, linked: true } as never);
    const made = cooked(RECIPES[2]!, two);
    expect(made.riders.map(({ pace }) => pace.recipe?.kind)).toEqual(['bends', 'bends']);
  });
  test.each(RECIPES.map((recipe) => [recipe.kind, recipe] as const))(
    '%s: frozen it is the same within half a pixel, and its marks stay',
    (_, recipe) => {
      const made = cooked(recipe);
      const frozen = freezeRecipe(made, { rider: 'r' });
      const [before, after] = [prepare(made).riders[0]!, prepare(frozen).riders[0]!];
      for (let t = 0; t < 4; t += 0.0137)
        expect(Math.abs(before.distanceAt(t) - after.distanceAt(t))).toBeLessThan(0.5);
      expect(frozen.riders[0]!.pace.recipe).toBeNull();
      const ids = frozen.riders[0]!.pace.marks.map(({ id }) => id);
      expect(ids).toEqual(expect.arrayContaining(['r-m1', 'r-m2', 'r-m3']));
      expect(ids.length).toBeLessThan(40);
    },
  );
  test('what hops lands at the corners of its guide, and falls from each apex as from any other', () => {
    const { nodes } = nodesOfShape({
      ...{ kind: 'bounces', length: 700, height: 160, bounces: 3, keep: 0.25 },
      ...{ x: 400, y: 500, turn: 0, reversed: false, start: 0 },
    });
    const bouncing = sceneOf({
      clock: { duration: 2, fps: 30, repeat: 'once' },
      art: [BOX_ART],
      guides: [{ ...LINE, nodes: nodes.map((node, i) => ({ ...node, id: `b${i}` })) }],
      riders: [
        riderOn('r', 'line', [
          { time: 0, place: { by: 'share', value: 0 } },
          { time: 2, place: { by: 'share', value: 1 } },
        ]),
      ],
    });
    const made = landAtCorners(cooked(newRecipe('hop'), bouncing), { rider: 'r' });
    // Arcs of 160, 40 and 10 px last as the roots of their heights: 4 : 2 : 1 of two seconds.
    expect(timesOf(made).map((time) => Math.round(time * 1e4) / 1e4)).toEqual([0, 1.1429, 1.7143, 2]);
    const pose = prepare(made).poseAt(4 / 7);
    expect([pose.of(0, 'x'), pose.of(0, 'y')]).toEqual([expect.closeTo(50 + 200, 0), expect.closeTo(340, 1)]);
    // Straight across it goes evenly all the way.
    for (const time of [0.3, 0.9, 1.3, 1.8])
      expect(prepare(made).poseAt(time).of(0, 'x')).toBeCloseTo(50 + 350 * time, 0);
    expect(landAtCorners.can(made, { rider: 'r' })).toMatchObject({ code: 'no-corners' });
  });
  test('it needs two marks, and there must be one to freeze', () => {
    const one = sceneOf({ ...scene, riders: [riderOn('r', 'loops', [marks[0]!])] });
    expect(setRecipe.can(one, { rider: 'r', recipe: RECIPES[0]! })).toMatchObject({ code: 'recipe-needs-two' });
    expect(freezeRecipe.can(scene, { rider: 'r' })).toMatchObject({ code: 'no-recipe' });
  });
});
