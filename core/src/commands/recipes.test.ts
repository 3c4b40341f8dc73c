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
  timeLocked,
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
  describe('landings at times that are set', () => {
    const { nodes } = nodesOfShape({
      ...{ kind: 'bounces', length: 700, height: 160, bounces: 3, keep: 0.25 },
      ...{ x: 400, y: 500, turn: 0, reversed: false, start: 0 },
    });
    const hopping = (more: Record<string, unknown> = {}): Scene =>
      landAtCorners(
        cooked(
          newRecipe('hop'),
          sceneOf({
            clock: { duration: 2, fps: 30, repeat: 'once' },
            art: [BOX_ART],
            guides: [{ ...LINE, nodes: nodes.map((node, i) => ({ ...node, id: `b${i}` })), ...more }],
            riders: [
              riderOn('r', 'line', [
                { time: 0, place: { by: 'share', value: 0 } },
                { time: 2, place: { by: 'share', value: 1 } },
              ]),
            ],
          }),
        ),
        { rider: 'r' },
      );
    const made = hopping();
    const second = made.riders[0]!.pace.marks[1]!.id;
    const recipeOf = (scene: Scene): unknown => scene.riders[0]!.pace.recipe;
    const placeAt = (scene: Scene, time: number): [number, number] => {
      const pose = prepare(scene).poseAt(time);
      return [pose.of(0, 'x'), pose.of(0, 'y')];
    };

    test('a time that is set moves the landing, its arcs are faster or slower and keep their shape', () => {
      const moved = retimeMark(made, { rider: 'r', mark: second, time: 1.3 });
      expect(recipeOf(moved)).toMatchObject({ landings: 'gravity' });
      expect(timesOf(moved).map((time) => Math.round(time * 1e4) / 1e4)).toEqual([0, 1.3, 1.7143, 2]);
      expect(moved.guides).toEqual(made.guides);
      // It lands there then, is at its apex halfway, and goes evenly across.
      expect(placeAt(moved, 1.3)).toEqual([expect.closeTo(450, 1), expect.closeTo(500, 1)]);
      expect(placeAt(moved, 0.65)).toEqual([expect.closeTo(250, 0), expect.closeTo(340, 1)]);
      // A quarter of the way in time: three quarters of the height, as of anything that is thrown.
      expect(placeAt(moved, 0.325)).toEqual([expect.closeTo(150, 0), expect.closeTo(500 - 120, 0)]);
      // The last arc is as it was.
      expect(placeAt(moved, 1.9)).toEqual(placeAt(made, 1.9).map((one) => expect.closeTo(one, 1) as number));
      // Its other landings can be set as well, and each is kept as the guide changes.
      const third = moved.riders[0]!.pace.marks[2]!.id;
      const again = retimeMark(moved, { rider: 'r', mark: third, time: 1.5 });
      const higher = moveNodes(again, { guide: 'line', nodes: [again.guides[0]!.nodes[1]!.id], dx: 0, dy: -40 });
      expect(timesOf(higher).map((time) => Math.round(time * 1e4) / 1e4)).toEqual([0, 1.3, 1.5, 2]);
      const frozen = freezeRecipe(higher, { rider: 'r' });
      for (const time of [0.4, 1.3, 1.42, 1.77]) {
        const [x, y] = placeAt(frozen, time);
        const [u, v] = placeAt(higher, time);
        expect(Math.hypot(x - u, y - v)).toBeLessThan(0.5);
      }
    });

    test('by height the arcs are as high as their times ask under one gravity', () => {
      const byHeight = setRecipe(made, { rider: 'r', recipe: { ...newRecipe('hop'), landings: 'height' } as Recipe });
      const { gravity } = recipeOf(byHeight) as { gravity: number };
      // 160 px are half of g times half of 8/7 s, squared: nothing changes by the choice.
      expect(gravity).toBeCloseTo((8 * 160) / (8 / 7) ** 2, 0);
      expect(placeAt(byHeight, 4 / 7)[1]).toBeCloseTo(340, 0);
      const moved = retimeMark(byHeight, { rider: 'r', mark: second, time: 1.3 });
      expect(timesOf(moved).map((time) => Math.round(time * 1e4) / 1e4)).toEqual([0, 1.3, 1.7143, 2]);
      expect(placeAt(moved, 0.65)[1]).toBeCloseTo(500 - (gravity * 1.3 ** 2) / 8, 0);
      expect(placeAt(moved, (1.3 + 1.7143) / 2)[1]).toBeCloseTo(500 - (gravity * 0.4143 ** 2) / 8, 0);
      // The landings stay where they were.
      for (const time of [0, 1.3, 2]) expect(placeAt(moved, time)[1]).toBeCloseTo(500, 1);
      expect(placeAt(moved, 0.325)[1]).toBeCloseTo(500 - 0.75 * ((gravity * 1.3 ** 2) / 8), 0);
    });

    test('where a time cannot be set it says why', () => {
      const lockedOf = (scene: Scene, mark: string): string | undefined =>
        timeLocked(scene, scene.riders[0]!, mark)?.code;
      expect(lockedOf(made, second)).toBeUndefined();
      const heights = (scene: Scene): Scene =>
        setRecipe(scene, { rider: 'r', recipe: { ...newRecipe('hop'), landings: 'height' } as Recipe });
      expect(lockedOf(heights(made), second)).toBeUndefined();
      expect(lockedOf(heights({ ...made, guides: made.guides.map((one) => ({ ...one, locked: true })) }), second)).toBe(
        'locked',
      );
      const beside = retimeMark(heights(made), { rider: 'r', mark: second, time: 1.2, distance: 200 });
      expect(lockedOf(beside, beside.riders[0]!.pace.marks[0]!.id)).toBe('landing-beside-nodes');
      const even = setRecipe(made, { rider: 'r', recipe: newRecipe('constant') });
      expect(lockedOf(even, second)).toBe('time-by-recipe');
      expect(lockedOf(even, even.riders[0]!.pace.marks[0]!.id)).toBeUndefined();
    });
  });
  test('it needs two marks, and there must be one to freeze', () => {
    const one = sceneOf({ ...scene, riders: [riderOn('r', 'loops', [marks[0]!])] });
    expect(setRecipe.can(one, { rider: 'r', recipe: RECIPES[0]! })).toMatchObject({ code: 'recipe-needs-two' });
    expect(freezeRecipe.can(scene, { rider: 'r' })).toMatchObject({ code: 'no-recipe' });
  });
});
