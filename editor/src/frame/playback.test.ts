import { beforeEach, describe, expect, test } from 'vitest';
import { newEntrance, setRider, type Scene } from '@pace-line/core';
import { LINE, sceneOf } from '../../../core/src/testing/scenes.ts';
import { FrameLoop } from './frame-loop.ts';
import { Playback, type Frame } from './playback.ts';

/** A rider that goes from (100, 300) to (500, 300) in four seconds, steadily. */
const riding = (repeat = 'loop'): Scene =>
  sceneOf({
    clock: { duration: 4, fps: 30, repeat },
    guides: [LINE],
    riders: [
      {
        id: 'r',
        name: 'Rider',
        art: 'box',
        guide: 'line',
        heading: { mode: 'level', offset: 0 },
        pace: {
          marks: [
            { id: 'm1', time: 0, place: { by: 'node', node: 'a' } },
            { id: 'm2', time: 4, place: { by: 'node', node: 'c' } },
          ],
        },
      },
    ],
  });

let scene: Scene;
let asked: ((now: number) => void)[];
let loop: FrameLoop;
let playback: Playback;
let frames: Frame[];
let now: number;

/** The browser's next frame, so many ms later. */
const frame = (ms = 100): void => {
  now += ms;
  const callbacks = asked;
  asked = [];
  for (const callback of callbacks) callback(now);
};
const x = (): number => frames.at(-1)!.poses.of(0, 'x');

const begin = (repeat?: string): void => {
  scene = riding(repeat);
  asked = [];
  frames = [];
  now = 0;
  loop = new FrameLoop({ next: (callback) => void asked.push(callback) });
  playback = new Playback(loop, () => scene);
  playback.setLoop(4, repeat === 'once');
  playback.onFrame((drawn) => frames.push(drawn));
  frame();
};
beforeEach(() => begin());

describe('the running clock', () => {
  test('moves on by the time between frames and its speed, and starts anew at the end', () => {
    playback.play();
    frame();
    frame(500);
    expect(playback.time).toBeCloseTo(0.5, 9);
    expect(x()).toBeCloseTo(150, 6);
    playback.setSpeed(0.25);
    frame(400);
    expect(playback.time).toBeCloseTo(0.6, 9);
    playback.setSpeed(1);
    frame(3600);
    expect(playback.time).toBeCloseTo(0.2, 9);
  });

  test('a scene that plays once stops at its end, and plays again from the start', () => {
    begin('once');
    playback.play();
    frame();
    frame(5000);
    expect([playback.time, playback.isPlaying]).toEqual([4, false]);
    expect(x()).toBeCloseTo(500, 6);
    playback.play();
    expect(playback.time).toBe(0);
  });

  test('held it stands still, and does not jump when it is let go', () => {
    playback.play();
    frame();
    playback.hold();
    frame(1000);
    expect(playback.time).toBe(0);
    playback.release();
    frame(1000);
    expect(playback.time).toBe(0);
    frame(100);
    expect(playback.time).toBeCloseTo(0.1, 9);
  });

  test('the loop’s end is a time of its own: what is there before it starts anew', () => {
    playback.seek(Infinity);
    frame();
    expect(playback.time).toBeCloseTo(4, 6);
    expect(x()).toBeCloseTo(500, 3);
    playback.seek(-1);
    frame();
    expect(x()).toBeCloseTo(100, 6);
  });

  test('steps by frames and wraps; a place is gone to only where it stands still', () => {
    playback.step(-1, 30);
    expect(playback.time).toBeCloseTo(4 - 1 / 30, 9);
    playback.goTo(1);
    expect(playback.time).toBe(1);
    playback.play();
    playback.goTo(2);
    playback.goTo(undefined);
    expect(playback.time).toBe(1);
  });

  test('a run plays at its own speed and leaves things as they were', () => {
    playback.setSpeed(0.5);
    playback.run(2, 1);
    frame();
    frame(500);
    expect(playback.time).toBeCloseTo(2.5, 9);
    playback.endRun();
    expect([playback.isPlaying, playback.speed]).toEqual([false, 0.5]);
  });
});

test('the lead-in plays once, at the loop’s start, and the loop follows; going anywhere leaves it', () => {
  scene = {
    ...scene,
    riders: scene.riders.map((rider) => ({ ...rider, entrance: { ...newEntrance(), seconds: 0.5, from: [0, -80] } })),
  };
  playback.enter();
  frame();
  const heights: number[] = [];
  for (let i = 0; i < 7; i++) {
    frame();
    const last = frames.at(-1)!;
    expect(last.before < 0 ? last.time : 0).toBe(0);
    heights.push(last.poses.of(0, 'y'));
  }
  expect(playback.isPlaying).toBe(true);
  expect(heights[0]).toBeLessThan(299);
  expect(heights.slice(1).every((y, i) => y >= heights[i]!)).toBe(true);
  expect(heights.at(-1)).toBeCloseTo(300, 9);
  expect(frames.at(-1)!.before).toBe(0);
  expect(playback.time).toBeGreaterThan(0.1);
  playback.enter();
  expect(playback.time).toBe(0);
  playback.seek(1);
  frame();
  expect(frames.at(-1)!.poses.of(0, 'y')).toBeCloseTo(300, 9);
});

describe('a frame', () => {
  test('is evaluated once for all that draw', () => {
    const other: Frame[] = [];
    playback.onFrame((drawn) => other.push(drawn));
    frame();
    expect(other.at(-1)).toBe(frames.at(-1));
  });

  test('gestures first: what they change is what is drawn, paused and playing', () => {
    for (const playing of [false, true]) {
      if (playing) playback.play();
      const lift = playing ? 40 : 20;
      loop.change(() => (scene = setRider(scene, { id: 'r', patch: { lift } })));
      frame(16);
      expect(frames.at(-1)!.scene).toBe(scene);
      expect(Math.abs(frames.at(-1)!.poses.of(0, 'y') - 300)).toBeCloseTo(lift, 6);
    }
  });

  test('may be painted roughly while it plays and frames come far too late, until they come in time again or it stands', () => {
    const roughly = (count: number, ms: number): boolean => {
      for (let i = 0; i < count; i++) frame(ms);
      return playback.isRough;
    };
    playback.play();
    expect(roughly(80, 20)).toBe(false);
    expect(roughly(1, 60)).toBe(false);
    expect(roughly(40, 28)).toBe(true);
    // Painted roughly they come sooner, which does not end it.
    expect(roughly(80, 20.5)).toBe(true);
    expect(roughly(80, 16.7)).toBe(false);
    expect(roughly(40, 28)).toBe(true);
    playback.hold();
    expect(playback.isRough).toBe(false);
    playback.release();
    expect(playback.isRough).toBe(true);
    playback.pause();
    expect(playback.isRough).toBe(false);
  });

  test('is asked for only while something moves', () => {
    frame();
    expect(asked).toHaveLength(0);
    playback.play();
    frame();
    expect(asked).toHaveLength(1);
    playback.pause();
    frame();
    expect(asked).toHaveLength(0);
  });
});
