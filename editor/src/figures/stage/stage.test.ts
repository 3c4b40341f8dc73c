// @vitest-environment jsdom
import { beforeEach, describe, expect, test } from 'vitest';
import {
  addRider,
  deleteRiders,
  displayOrder,
  newRider,
  prepare,
  restackRider,
  setCamera,
  setGuide,
  setRider,
  type Scene,
} from '@pace-line/core';
import { sheetScene } from '../../tools/sheet/testing.ts';
import { createSvgStage, type Stage } from './stage.ts';

/** Scenery behind, two riders of one line, a parked one in front. */
function scene(): Scene {
  const park = (sum: Scene, id: string): Scene =>
    addRider(sum, { rider: newRider({ id, name: id, art: 'box', at: [50, 60] }) });
  return restackRider(park(park(sheetScene(), 'sky'), 'front'), { id: 'sky', to: 0 });
}

let host: HTMLElement;
let stage: Stage;
beforeEach(() => {
  host = document.createElement('div');
  stage = createSvgStage(host);
});

function draw(shown: Scene, time = 0): void {
  const motion = prepare(shown);
  stage.draw({ scene: shown, motion, time, before: 0, poses: motion.poseAt(time) });
}

const layer = (name: 'scenery' | 'riders'): Element[] => [
  ...(host.shadowRoot?.querySelector(`svg.${name} > g`)?.children ?? []),
];
/** What is drawn from back to front: the places of riders, `stroke` for a guide's line. */
const drawn = (): string[] =>
  [...layer('scenery'), ...layer('riders')]
    .filter((one) => one.tagName !== 'rect')
    .map((one) => (one.tagName === 'path' ? 'stroke' : (one.getAttribute('transform') ?? '')));
const wanted = (shown: Scene, time = 0): string[] => {
  const poses = prepare(shown).poseAt(time);
  const n = (value: number): number => Math.round(value * 1e5) / 1e5;
  return displayOrder(shown).map((one) =>
    one.kind === 'stroke'
      ? 'stroke'
      : `matrix(${(['a', 'b', 'c', 'd', 'e', 'f'] as const).map((key) => n(poses.of(one.index, key))).join(' ')})`,
  );
};

describe('the stage draws in the order of display', () => {
  test('riders at the bottom that never move are scenery, the rest moves', () => {
    draw(scene());
    expect(layer('scenery').map(({ tagName }) => tagName)).toEqual(['rect', 'g']);
    expect(layer('riders')).toHaveLength(3);
    expect(drawn()).toEqual(wanted(scene()));
  });

  test('after each change of the order, and with a guide’s stroke among them', () => {
    let shown = scene();
    draw(shown);
    const steps: ((base: Scene) => Scene)[] = [
      (base) => restackRider(base, { id: 'front', to: 1 }),
      (base) => restackRider(base, { id: 'q', to: 0 }),
      (base) =>
        setGuide(base, { id: 'line', patch: { stroke: { color: '#7A3E7E', width: 3, dash: null, draws: null } } }),
      (base) => restackRider(base, { id: 'sky', to: 3 }),
      (base) => deleteRiders(base, { ids: ['r'] }),
      (base) => setGuide(base, { id: 'line', patch: { stroke: undefined } }),
    ];
    for (const step of steps) {
      shown = step(shown);
      draw(shown, 0.7);
      expect(drawn()).toEqual(wanted(shown, 0.7));
    }
  });

  test('what stays is the same element: nothing is drawn anew because its neighbour moved', () => {
    const shown = scene();
    draw(shown);
    const before = layer('riders');
    draw(restackRider(shown, { id: 'front', to: 1 }));
    expect(before.filter((one) => [...layer('scenery'), ...layer('riders')].includes(one))).toHaveLength(before.length);
  });

  test('a hidden rider is not shown, its opacity is', () => {
    const base = setRider(scene(), { id: 'front', patch: { visible: false } });
    draw(setRider(base, { id: 'r', patch: { opacity: 0.4 } }));
    const [r, , front] = layer('riders') as SVGGElement[];
    expect(front?.style.display).toBe('none');
    expect(r?.getAttribute('opacity')).toBe('0.4');
  });

  test('as it is sent: through the camera, without what is left out', () => {
    const base = setRider(scene(), { id: 'front', patch: { output: false, scale: [0.5, 0.5] } });
    const shown = setRider(setCamera(base, { rider: 'front' }), { id: 'q', patch: { parallax: 0 } });
    const motion = prepare(shown);
    const frame = { scene: shown, motion, time: 0, before: 0, poses: motion.poseAt(0) };
    const root = (): string => host.shadowRoot?.querySelector('svg.riders > g')?.getAttribute('transform') ?? '';
    stage.setView({ zoom: 2, x: 3, y: 4 });
    stage.draw(frame, true);
    // Twice as large about its pivot at (50, 60), which comes to the middle of the canvas.
    const { width, height } = shown.canvas;
    expect(root()).toBe(`matrix(2 0 0 2 3 4) matrix(2 0 0 2 ${width / 2 - 100} ${height / 2 - 120})`);
    const groups = layer('riders').filter(({ tagName }) => tagName === 'g') as SVGGElement[];
    expect(groups.filter(({ style }) => style.display === 'none')).toHaveLength(1);
    // What has no parallax stays where the canvas's middle is looked at.
    const still = groups.find((one) => one.firstElementChild?.tagName === 'g' && one.hasAttribute('transform'));
    expect(still?.getAttribute('transform')).toBe(`matrix(1 0 0 1 ${50 - width / 2} ${60 - height / 2})`);
    stage.draw(frame);
    expect(root()).toBe('matrix(2 0 0 2 3 4)');
    expect(groups.every(({ style }) => style.display === '')).toBe(true);
  });

  test('what is behind something at times stands before it then', () => {
    const places = { from: { by: 'share', value: 0 }, to: { by: 'share', value: 0.5 } } as const;
    const apart = setRider(scene(), { id: 'front', patch: { at: [70, 80] } });
    const shown = setRider(apart, { id: 'r', patch: { behind: [{ by: 'places', rider: 'front', ...places }] } });
    const order = (time: number): number => {
      draw(shown, time);
      const at = (id: string): string =>
        wanted(shown, time)[displayOrder(shown).findIndex((one) => one.kind === 'rider' && one.rider.id === id)] ?? '';
      return drawn().indexOf(at('r')) - drawn().indexOf(at('front'));
    };
    expect(order(0.3)).toBe(-1);
    expect(order(1.7)).toBe(-2);
    expect(order(0.3)).toBe(-1);
  });

  test('a stroke that a rider draws is there as far as the rider has gone', () => {
    const shown = setGuide(scene(), {
      id: 'line',
      patch: { stroke: { color: '#7A3E7E', width: 3, dash: null, draws: 'r' } },
    });
    draw(shown, 1);
    const stroke = layer('riders').find(({ tagName }) => tagName === 'path');
    // Half of a line of 400 px at a second.
    expect(stroke?.getAttribute('stroke-dasharray')).toBe('400 400');
    expect(Number(stroke?.getAttribute('stroke-dashoffset'))).toBeCloseTo(200, 3);
  });
});

test('what has not changed is not said to the browser again', async () => {
  const host = document.createElement('div');
  const stage = createSvgStage(host);
  const first = scene();
  const frameOf = (shown: Scene, time: number) => {
    const motion = prepare(shown);
    return { time, before: 0, scene: shown, motion, poses: motion.poseAt(time) };
  };
  const view = { zoom: 2, x: 3, y: 4 };
  stage.setView(view);
  stage.draw(frameOf(first, 1));
  const records: MutationRecord[] = [];
  const observer = new MutationObserver((list) => void records.push(...list));
  for (const svg of host.shadowRoot!.querySelectorAll('svg'))
    observer.observe(svg, { attributes: true, childList: true, subtree: true });
  stage.setView({ ...view });
  stage.draw(frameOf({ ...first, riders: [...first.riders] }, 1));
  await Promise.resolve();
  expect(records).toEqual([]);
  stage.setView({ ...view, zoom: 3 });
  await Promise.resolve();
  expect(records).toHaveLength(3);
  observer.disconnect();
  stage.destroy();
});

test('only what moves is painted roughly, and only while it is asked to be', () => {
  draw(scene());
  const rough = (): string[] =>
    [...(host.shadowRoot?.querySelectorAll('.rough') ?? [])].map((one) => one.getAttribute('class') ?? '');
  stage.setRough(true);
  expect(rough()).toEqual(['riders rough']);
  stage.setRough(false);
  expect(rough()).toEqual([]);
});
