import { matrixAbout } from '../geometry/index.ts';
import fc from 'fast-check';
import { describe, expect, test } from 'vitest';
import { prepare } from '../motion/index.ts';
import { pathOfGuide, writeScene, readScene, type Guide, type Scene } from '../scene/index.ts';
import { CUSP, LINE, LOOPS, riderOn, sceneOf, SQUARE } from '../testing/scenes.ts';
import { furthest, placesOf, problemsWhenRead, timesOf } from '../testing/ways.ts';
import * as c from './index.ts';

/** A random edit of the guide that the first rider is on; `again` makes ids that are new each time. */
type Edit = (scene: Scene, again: number) => Scene;

/** Runs a command where it applies. */
const tried =
  <A>(command: c.Command<A>, argsOf: (guide: Guide, again: number, scene: Scene) => A): Edit =>
  (scene, again) => {
    const guide = scene.guides.find((one) => one.id === scene.riders[0]!.guide)!;
    const args = argsOf(guide, again, scene);
    return command.can(scene, args) ? scene : command(scene, args);
  };

const nodeOf = (guide: Guide, n: number): string => guide.nodes[n % guide.nodes.length]!.id;
const spanOf = (guide: Guide, n: number): number => n % Math.max(1, pathOfGuide(guide).spans.length);

const n = fc.nat(30);
const offset = fc.integer({ min: -80, max: 80 });
const share = fc.double({ min: 0.02, max: 0.98, noNaN: true });

/** `exact`: every rider is just where it was at every time. */
interface Named {
  readonly name: string;
  readonly exact: boolean;
  readonly edit: Edit;
}
const named = (name: string, edits: fc.Arbitrary<Edit>, exact = false): fc.Arbitrary<Named> =>
  edits.map((edit) => ({ name, exact, edit }));

const edits = fc.oneof(
  named(
    'move',
    fc
      .tuple(n, offset, offset)
      .map(([at, dx, dy]) => tried(c.moveNodes, (guide) => ({ guide: guide.id, nodes: [nodeOf(guide, at)], dx, dy }))),
  ),
  named(
    'pull',
    fc.tuple(n, offset, offset).map(([at, dx, dy]) =>
      tried(c.pullSpan, (guide) => {
        const here = guide.nodes[at % guide.nodes.length]!;
        return { guide: guide.id, span: spanOf(guide, at), t: 0.4, to: [here.x + dx, here.y + dy] as const };
      }),
    ),
  ),
  named(
    'insert',
    fc
      .tuple(n, share)
      .map(([at, t]) =>
        tried(c.insertNode, (guide, again) => ({ guide: guide.id, span: spanOf(guide, at), t, id: `new${again}` })),
      ),
    true,
  ),
  named(
    'delete',
    fc
      .tuple(n, fc.boolean())
      .map(([at, refit]) => tried(c.deleteNodes, (guide) => ({ guide: guide.id, nodes: [nodeOf(guide, at)], refit }))),
  ),
  named(
    'join handles',
    fc
      .tuple(n, fc.constantFrom('corner' as const, 'smooth' as const, 'balanced' as const))
      .map(([at, join]) => tried(c.setJoin, (guide) => ({ guide: guide.id, nodes: [nodeOf(guide, at)], join }))),
  ),
  named('close', fc.constant(tried(c.setClosed, (guide) => ({ guide: guide.id, closed: !guide.closed })))),
  named(
    'split',
    n.map((at) =>
      tried(c.splitGuide, (guide, again) => ({
        guide: guide.id,
        node: nodeOf(guide, at),
        nodeId: `cut${again}`,
        guideId: `piece${again}`,
        name: 'P',
      })),
    ),
  ),
  named('reverse', fc.constant(tried(c.reverseGuide, ({ id }) => ({ guide: id, riders: 'place' as const }))), true),
  named(
    'restart',
    n.map((at) => tried(c.restartGuide, (guide) => ({ guide: guide.id, node: nodeOf(guide, at) }))),
    true,
  ),
  named(
    'straighten',
    n.map((at) => tried(c.straightenSpans, (guide) => ({ guide: guide.id, spans: [spanOf(guide, at)] }))),
  ),
  named(
    'simplify',
    fc
      .double({ min: 0.5, max: 20, noNaN: true })
      .map((tolerance) => tried(c.simplifyGuide, ({ id }) => ({ guide: id, tolerance }))),
  ),
  named(
    'fair',
    fc
      .double({ min: 0.1, max: 1, noNaN: true })
      .map((strength) => tried(c.fairGuide, ({ id }) => ({ guide: id, nodes: [], strength }))),
  ),
  named(
    'turn',
    fc
      .double({ min: -3, max: 3, noNaN: true })
      .map((angle) =>
        tried(c.transformGuides, ({ id }) => ({ ids: [id], matrix: matrixAbout([400, 300], 1.1, 0.9, angle) })),
      ),
  ),
  named(
    'join guides',
    fc.constant(
      tried(c.joinGuides, (guide, _, scene) => ({
        first: guide.id,
        second: scene.guides.find((one) => one.id !== guide.id)?.id ?? guide.id,
      })),
    ),
  ),
  named(
    'parallel',
    fc.integer({ min: -30, max: 30 }).map((distance) =>
      tried(c.addLinked, (guide, again) => ({
        id: `par${again}`,
        name: 'Q',
        link: { kind: 'parallel' as const, of: guide.id, distance },
        linked: true,
      })),
    ),
  ),
);

const start = (guide: typeof LOOPS | typeof SQUARE | typeof CUSP): Scene => {
  const first = guide.nodes[0].id;
  return sceneOf({
    guides: [guide, LINE],
    riders: [
      riderOn('r', guide.id, [
        { time: 0, place: { by: 'node', node: first, along: 0.3 } },
        { time: 1.2, dwell: 0.3, place: { by: 'node', node: guide.nodes.at(-1)!.id } },
        { time: 2.5, place: { by: 'node', node: first, along: 0.9 } },
        { time: 4, place: { by: 'share', value: 0.9 } },
      ]),
    ],
  });
};

describe('shape never disturbs pace', () => {
  test('over any edits marks keep their times, exact edits keep every place, and the scene stays valid', () => {
    fc.assert(
      fc.property(fc.array(edits, { maxLength: 10 }), fc.constantFrom(LOOPS, SQUARE, CUSP), (list, guide) => {
        let scene = start(guide);
        const before = timesOf(scene);
        list.forEach(({ name, exact, edit }, again) => {
          const was = placesOf(scene);
          scene = edit(scene, again);
          if (exact) expect(furthest(was, placesOf(scene)), name).toBeLessThan(2e-3);
          expect(timesOf(scene), name).toEqual(before);
        });
        expect(problemsWhenRead(scene)).toEqual([]);
        for (const time of [0, 1.3, 3.7]) expect(prepare(scene).poseAt(time).of(0, 'x')).toSatisfy(Number.isFinite);
      }),
      { numRuns: 160, seed: 8 },
    );
  });
  test('a file of any of these scenes is read as the same scene, and written as the same bytes', () => {
    fc.assert(
      fc.property(fc.array(edits, { maxLength: 6 }), (list) => {
        const scene = list.reduce((now, { edit }, again) => edit(now, again), start(LOOPS));
        const text = writeScene(scene);
        const read = readScene(text);
        expect(read.ok && writeScene(read.scene)).toBe(text);
      }),
      { numRuns: 60, seed: 5 },
    );
  });
});

test('what a command refuses it throws when called all the same, and refusals are data', () => {
  const scene = start(LOOPS);
  const args = { guide: 'nowhere', nodes: ['l1'], dx: 1, dy: 1 };
  expect(c.moveNodes.can(scene, args)).toEqual({ code: 'no-guide', data: { id: 'nowhere' } });
  expect(() => c.moveNodes(scene, args)).toThrow(c.SceneError);
});
