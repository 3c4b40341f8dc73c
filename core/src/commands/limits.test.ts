import { describe, expect, test } from 'vitest';
import {
  MOST,
  MOST_NODES,
  problemsOf,
  readScene,
  wordingOf,
  writeScene,
  type Guide,
  type Node,
  type Rider,
  type Scene,
} from '../scene/index.ts';
import { BOX_ART, riderOn, sceneOf } from '../testing/scenes.ts';
import * as c from './index.ts';

const nodes = (count: number, prefix = 'n'): Node[] =>
  Array.from({ length: count }, (_, i) => ({
    id: `${prefix}${i}`,
    x: i % 1000,
    y: Math.floor(i / 1000) * 10 + (i % 2),
    join: 'corner',
  }));

/** Scenes that are as full as a file can be of one thing. */
const base = sceneOf({
  art: [BOX_ART],
  guides: [{ id: 'line', name: 'line', closed: false, color: '#0B7A75', nodes: nodes(3) }],
  riders: [
    riderOn('r', 'line', [
      { time: 0, place: { by: 'share', value: 0 } },
      { time: 1, place: { by: 'share', value: 1 } },
    ]),
  ],
});
const line: Guide = base.guides[0]!;
const rider: Rider = base.riders[0]!;
const withNodes = (count: number, more: readonly Guide[] = []): Scene => ({
  ...base,
  guides: [{ ...line, nodes: nodes(count) }, ...more],
});
const wide = (count: number): Guide => ({ ...line, id: 'other', name: 'other', nodes: nodes(count, 'o') });
const withMarks = (count: number): Scene => ({
  ...base,
  riders: [
    {
      ...rider,
      pace: {
        ...rider.pace,
        marks: Array.from({ length: count }, (_, i) => ({
          ...rider.pace.marks[0]!,
          id: `m${i}`,
          time: i * 1e-4,
          place: { by: 'share' as const, value: i / count },
        })),
      },
    },
  ],
});
const withKeys = (count: number): Scene => ({
  ...base,
  riders: [
    {
      ...rider,
      keys: {
        ...rider.keys,
        turn: Array.from({ length: count }, (_, i) => ({
          ...{ id: `k${i}`, time: i * 1e-4, value: i % 360, mark: null },
          ease: { kind: 'steady' as const },
        })),
      },
    },
  ],
});
const withGuides = (count: number): Scene => ({
  ...base,
  guides: [line, ...Array.from({ length: count - 1 }, (_, i) => ({ ...line, id: `g${i}`, nodes: nodes(1, `g${i}-`) }))],
});
const withRiders = (count: number): Scene => ({
  ...base,
  riders: Array.from({ length: count }, (_, i) => ({ ...rider, id: `r${i}`, pace: { ...rider.pace, marks: [] } })),
});

/** What is done to a full scene: it stays within its file, or is refused by name. */
interface Full {
  readonly scene: Scene;
  readonly edit: (scene: Scene) => Scene;
  readonly refused: string;
}
const FULL: Readonly<Record<string, Full>> = {
  'a node inserted': {
    scene: withNodes(MOST_NODES),
    edit: (scene) => c.insertNode(scene, { guide: 'line', span: 3, t: 0.5, id: 'new' }),
    refused: 'too-many-nodes',
  },
  'two guides joined': {
    scene: withNodes(12_000, [wide(9000)]),
    edit: (scene) => c.joinGuides(scene, { first: 'line', second: 'other' }),
    refused: 'too-many-nodes',
  },
  'a guide added': {
    scene: withGuides(MOST.guides),
    edit: (scene) => c.addGuide(scene, { guide: { ...line, id: 'new', nodes: nodes(1, 'new') } }),
    refused: 'too-many-guides',
  },
  'a guide with too many nodes added': {
    scene: base,
    edit: (scene) => c.addGuide(scene, { guide: wide(MOST_NODES + 1) }),
    refused: 'too-many-nodes',
  },
  'guides pasted': {
    scene: withGuides(MOST.guides),
    edit: (scene) => c.pasteThings(scene, c.copyThings(scene, ['line'], []), 10, ['line']).scene,
    refused: 'too-many-guides',
  },
  'a rider added': {
    scene: withRiders(MOST.riders),
    edit: (scene) => c.addRider(scene, { rider: { ...rider, id: 'new', pace: { ...rider.pace, marks: [] } } }),
    refused: 'too-many-riders',
  },
  'a mark added': {
    scene: withMarks(10_000),
    edit: (scene) => c.insertMark(scene, { rider: 'r', id: 'new', time: 3 }),
    refused: 'too-many-marks',
  },
  'a key added': {
    scene: withKeys(10_000),
    edit: (scene) => c.setKey(scene, { rider: 'r', channel: 'turn', time: 3, value: 5, ids: ['new', 'b', 'c'] }),
    refused: 'too-many-keys',
  },
  'guides beyond the weight of a file': {
    scene: {
      ...base,
      guides: [
        line,
        ...Array.from({ length: 8 }, (_, i) => ({ ...line, id: `w${i}`, nodes: nodes(19_000, `w${i}-`) })),
      ],
    },
    edit: (scene) =>
      Array.from({ length: 20 }, (_, i) => i).reduce(
        (now, i) => c.addGuide(now, { guide: { ...line, id: `v${i}`, nodes: nodes(19_000, `v${i}-`) } }),
        scene,
      ),
    refused: 'too-many-weight',
  },
};

describe('no command makes a scene that its own file refuses', () => {
  test.each(Object.entries(FULL))('%s', (_, { scene, edit, refused }) => {
    expect(problemsOf(scene, false)).toEqual([]);
    let told: string | undefined;
    try {
      expect(problemsOf(edit(scene), false)).toEqual([]);
    } catch (error) {
      if (!(error instanceof c.SceneError)) throw error;
      told = error.refusal.code;
    }
    expect(told).toBe(refused);
  });
});

describe('a rescue file', () => {
  const opened = (scene: Scene): Scene => {
    const read = readScene(writeScene(scene));
    if (!read.ok) throw new Error(read.problems.map(wordingOf).join('\n'));
    return read.scene;
  };
  test('of a sound scene is the scene', () => {
    expect(c.rescued(base)).toEqual({ scene: base, cut: [] });
  });
  test('of one that no file holds can be opened, and what was cut is named', () => {
    const half = riderOn('half', 'wide', [{ time: 0, place: { by: 'node', node: 'n0' } }]) as unknown as Rider;
    const broken: Scene = {
      ...base,
      guides: [
        line,
        { ...wide(23_894), id: 'wide', name: 'Track' },
        { ...line, id: 'odd', name: 'Odd', color: 'teal', nodes: nodes(2, 'odd') },
      ],
      riders: [
        rider,
        { ...rider, ...half, id: 'half', name: 'Half' },
        { ...rider, id: 'lost', name: 'Lost', art: 'none' },
        { ...rider, id: 'big', lift: 1e9, name: 'Big' },
      ],
    };
    const { scene, cut } = c.rescued(broken);
    expect(writeScene(opened(scene))).toBe(writeScene(scene));
    expect(scene.guides.map(({ nodes: { length } }) => length)).toEqual([3, MOST_NODES]);
    expect(scene.riders.map(({ name }) => name)).toEqual([rider.name, 'Half']);
    expect(cut.join('\n')).toMatch(
      /“Track” has 20000 of its 23894 nodes[^]*“Odd” was left out: color[^]*“Big” was left out: lift/,
    );
  });
  test('where what joins its parts is broken its guides at least are kept', () => {
    const { scene, cut } = c.rescued({ ...base, riders: [rider, rider] });
    expect(opened(scene).guides).toHaveLength(1);
    expect(cut.at(-1)).toMatch(/only its guides were kept: .*used twice/);
  });
});
