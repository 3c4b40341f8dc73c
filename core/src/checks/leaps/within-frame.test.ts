import { describe, expect, it } from 'vitest';
import type { Scene } from '../../scene/index.ts';
import { LINE, riderOn, sceneOf, SQUARE } from '../../testing/scenes.ts';
import { findingsOf, offersFor, type Told } from '../all.ts';
import { withOffer } from '../offers/index.ts';

const only = (scene: Scene): readonly Told[] => findingsOf(scene, ['frame-leap']);

/** Round a square of 100 px a side in four seconds: 100 px/s, 3.3 px a frame. */
const square = (smooth: number, more: object = {}): Scene =>
  sceneOf({
    guides: [SQUARE],
    riders: [
      riderOn(
        'r',
        'square',
        [
          { time: 0, place: { by: 'node', node: 'q1' } },
          { time: 4, place: { by: 'node', node: 'q1', lap: 1 } },
        ],
        { heading: { mode: 'along', smooth }, ...more },
      ),
    ],
  });

describe('leaps within a frame', () => {
  it('a corner that is averaged over less than a frame’s way is still a leap; over a few frames it is none', () => {
    const [found, ...more] = only(square(1));
    expect(more).toEqual([]);
    expect(found).toMatchObject({ holds: false, riders: ['r'] });
    expect((found?.figures as { rotation: number }).rotation).toBeCloseTo(Math.PI / 2, 6);
    expect(found?.spans).toHaveLength(3);
    expect(found?.words).toMatch(/^turns by 90° in a frame at \d\.\d\d s, 3 times$/);
    for (const [from, to] of found?.spans ?? []) {
      const corner = Math.round((from + to) / 2);
      expect(from).toBeLessThanOrEqual(corner);
      expect(to).toBeGreaterThanOrEqual(corner - 0.01);
    }
    expect(only(square(14))).toEqual([]);
  });

  it('what leaps from one moment to the next is another finding, what spins fast all the time is none', () => {
    expect(only(square(0))).toEqual([]);
    const spin = sceneOf({
      guides: [LINE],
      riders: [
        riderOn(
          'r',
          'line',
          [
            { time: 0, place: { by: 'node', node: 'a' } },
            { time: 4, place: { by: 'node', node: 'c' } },
          ],
          {
            keys: {
              turn: [
                { id: 'k1', time: 0, value: 0 },
                { id: 'k2', time: 4, value: 7200 },
              ],
            },
          },
        ),
      ],
    });
    expect(only(spin)).toEqual([]);
  });

  it('lifted outside a bend of 2 px it goes a half circle in a moment', () => {
    // Two straights of 200 px joined by a half circle of 2 px radius.
    const k = 0.5522847498 * 2;
    const pin = {
      ...{ id: 'pin', name: 'pin', closed: false, color: '#0B7A75' },
      nodes: [
        { id: 'p1', x: 100, y: 298 },
        { id: 'p2', x: 300, y: 298, out: [k, 0], join: 'smooth', in: [-1, 0] },
        { id: 'p3', x: 302, y: 300, in: [0, -k], out: [0, k], join: 'smooth' },
        { id: 'p4', x: 300, y: 302, in: [k, 0], out: [-1, 0], join: 'smooth' },
        { id: 'p5', x: 100, y: 302 },
      ],
    };
    const lifted = (lift: number): Scene =>
      sceneOf({
        guides: [pin],
        riders: [
          riderOn(
            'r',
            'pin',
            [
              { time: 0, place: { by: 'node', node: 'p1' } },
              { time: 4, place: { by: 'node', node: 'p5' } },
            ],
            { heading: { mode: 'level' }, lift },
          ),
        ],
      });
    // 6.3 px of guide, two frames of its way, are π · (2 + 40) px of its own.
    const [found] = only(lifted(40));
    expect((found?.figures as { place: number } | undefined)?.place).toBeGreaterThan(50);
    expect((found?.figures as { place: number } | undefined)?.place).toBeLessThan(Math.PI * 42);
    expect(found?.at).toBeCloseTo(2, 1);
    expect(only(lifted(0))).toEqual([]);
  });

  it('is offered a length to be averaged over', () => {
    const scene = square(1);
    const [found] = only(scene);
    const { offers } = offersFor(scene, found!);
    expect(offers.map(({ kind }) => kind)).toEqual(['smooth']);
    expect(only(withOffer(scene, offers[0]!))).toEqual([]);
  });
});
