import {
  newGuide,
  newHeading,
  newMark,
  newPace,
  newRecipe,
  newRider,
  setRecipe,
  type Mark,
  type Node,
  type Scene,
} from '@pace-line/core';
import { art, at, NO_KEYS, NO_POSES, node, scene, scenery } from './kit.ts';
import { splashArt } from './splash.ts';

/** Nodes of thrown arcs from place to place: parabolas, each with its apex so high above where it starts. */
function arcs(places: readonly (readonly [id: string, x: number, y: number, apex: number])[]): Node[] {
  const nodes = places.map(([id, x, y]) => node(id, x, y));
  for (let i = 0; i + 1 < nodes.length; i++) {
    const [from, to, apex] = [nodes[i], nodes[i + 1], places[i]?.[3] ?? 0];
    if (!from || !to) continue;
    // Half a parabola's way in time, straight on from its start: its one control point.
    const [up, down] = [Math.sqrt(2 * apex), Math.sqrt(2 * (apex + to.y - from.y))];
    const [qx, qy] = [(from.x + to.x) / 2, from.y - (up * (up + down)) / 2];
    const toward = (one: Node): [number, number] => [(2 / 3) * (qx - one.x), (2 / 3) * (qy - one.y)];
    nodes[i] = { ...from, out: toward(from) };
    nodes[i + 1] = { ...to, in: toward(to) };
  }
  return nodes;
}

/** A tin falls from a window, bounces along the quay and drops into the canal, where it splashes. */
export function tin(): Scene {
  const guide = newGuide({
    id: 'throw',
    name: 'Throw',
    color: '#7A3E7E',
    nodes: arcs([
      ['window', 210, -90, 0],
      ['first', 330, 308, 120],
      ['second', 520, 308, 44],
      ['edge', 640, 308, 30],
      ['water', 770, 560, 0],
    ]),
  });
  const stops = ['window', 'first', 'second', 'edge', 'plop'];
  const marks: Mark[] = stops.map((id, i) => newMark(`tin-${id}`, 0.2 + i * 0.6, at(id === 'plop' ? 'water' : id)));
  const placed = setRecipe(
    scene({
      name: 'Tea tin into the canal',
      canvas: { width: 1280, height: 720, background: '#2F6670' },
      clock: { duration: 4, fps: 30, repeat: 'loop' },
      art: [art('quay', 'Quay', [0, 0]), art('tea-tin', 'Tea tin', [27, 66]), splashArt()],
      guides: [guide],
      riders: [
        scenery('quay', 'Quay'),
        newRider({
          ...{ id: 'tin', name: 'Tea tin', art: 'tea-tin', guide: 'throw', pace: newPace({ marks }) },
          heading: newHeading({ mode: 'level' }),
        }),
        newRider({
          ...{ id: 'splash-1', name: 'Splash', art: 'splash', at: [770, 556] },
          poses: {
            ...NO_POSES,
            by: 'mark',
            first: 1,
            rate: 14,
            mark: { rider: 'tin', mark: 'tin-plop' },
            around: 'hidden',
          },
        }),
      ],
    }),
    { rider: 'tin', recipe: newRecipe('hop') },
  );
  const times = placed.riders.find(({ id }) => id === 'tin')?.pace.marks.map(({ time }) => time) ?? [];
  return withLandings(placed, times);
}

/** The tin turns in the air, is squashed where it lands, and is gone under water. */
function withLandings(given: Scene, times: readonly number[]): Scene {
  const [, first = 0, second = 0, edge = 0, plop = 0] = times;
  const squashed = [
    [first, 0.72],
    [second, 0.82],
    [edge, 0.9],
  ] as const;
  const squash = squashed.flatMap(([time, size], i) =>
    (
      [
        [-0.07, 1],
        [0, size],
        [0.12, 1],
      ] as const
    ).map(([by, value], k) => ({
      ...{
        id: `tin-squash${i}${k}`,
        time: time + by,
        value,
        mark: `tin-${['first', 'second', 'edge'][i] ?? ''}`,
      },
      ease: { kind: 'family', family: 'sine', mode: 'in-out' } as const,
    })),
  );
  const turn = [0, -14, 26, -8, 80].map((value, i) => ({
    ...{ id: `tin-turn${i}`, time: times[i] ?? 0, value, mark: null },
    ease: { kind: 'steady' } as const,
  }));
  const opacity = [
    [0, 1],
    [plop + 0.02, 1],
    [plop + 0.1, 0],
    [4, 0],
  ].map(([time = 0, value = 1], i) => ({
    ...{ id: `tin-fade${i}`, time, value, mark: null },
    ease: { kind: 'steady' } as const,
  }));
  const riders = given.riders.map((rider) =>
    rider.id === 'tin' ? { ...rider, keys: { ...NO_KEYS, squash, turn, opacity } } : rider,
  );
  return scene({ ...given, riders });
}
