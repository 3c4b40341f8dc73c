import { describe, expect, test } from 'vitest';
import type { Clock, Driver } from '../scene/index.ts';
import { advanced, happened, timeOfScroll, undriven, type Driven, type DriveEvent } from './index.ts';

const clock = (repeat: Clock['repeat']): Clock => ({ duration: 2, fps: 30, repeat, times: null, tempo: null });

/** What a driver makes of a tale of events and of seconds that pass. */
const told = (driver: Driver, repeat: Clock['repeat'], ...tale: readonly (DriveEvent | number)[]): Driven =>
  tale.reduce<Driven>(
    (state, one) =>
      typeof one === 'number'
        ? advanced(driver, clock(repeat), state, one)
        : happened(driver, clock(repeat), state, one),
    undriven(driver),
  );

describe('what drives a scene', () => {
  test('time runs by itself, and ends only where the scene runs once', () => {
    expect(told({ kind: 'time' }, 'loop', 5)).toEqual({ at: 5, way: 1 });
    expect(told({ kind: 'time' }, 'once', 5)).toEqual({ at: 2, way: 0 });
  });
  test('it ends after as many times as the scene is played', () => {
    const twice = { ...clock('there-and-back'), times: 2 };
    expect(advanced({ kind: 'time' }, twice, { at: 0, way: 1 }, 7.5)).toEqual({ at: 7.5, way: 1 });
    expect(advanced({ kind: 'time' }, twice, { at: 7.5, way: 1 }, 9)).toEqual({ at: 8, way: 0 });
  });
  const click: Driver = { kind: 'click', again: 'back' };
  test('pressed midway it turns round from where it is', () => {
    expect(told(click, 'once', 1)).toEqual({ at: 0, way: 0 });
    expect(told(click, 'once', 'press', 1.5)).toEqual({ at: 1.5, way: 1 });
    expect(told(click, 'once', 'press', 1.5, 'press', 0.5)).toEqual({ at: 1, way: -1 });
    expect(told(click, 'once', 'press', 1.5, 'press', 0.5, 'press', 0.25)).toEqual({ at: 1.25, way: 1 });
    expect(told(click, 'once', 'press', 9)).toEqual({ at: 2, way: 0 });
    expect(told(click, 'once', 'press', 9, 'press', 9)).toEqual({ at: 0, way: 0 });
    // What goes there and back by itself goes one way for each press.
    expect(told(click, 'there-and-back', 'press', 9)).toEqual({ at: 2, way: 0 });
  });
  test('a press may stand it still, or begin anew', () => {
    const stop: Driver = { kind: 'click', again: 'stop' };
    expect(told(stop, 'loop', 'press', 5, 'press', 3)).toEqual({ at: 5, way: 0 });
    expect(told(stop, 'once', 'press', 5, 'press', 1)).toEqual({ at: 1, way: 1 });
    const restart: Driver = { kind: 'click', again: 'restart' };
    expect(told(restart, 'loop', 'press', 1.5, 'press', 0.5)).toEqual({ at: 0.5, way: 1 });
    expect(told(restart, 'there-and-back', 'press', 9)).toEqual({ at: 4, way: 0 });
  });
  test('the pointer over it plays; its leaving goes back, stops, or lets it finish', () => {
    const over = (leaving: 'back' | 'stop' | 'finish'): Driver => ({ kind: 'over', leaving });
    expect(told(over('back'), 'loop', 'over', 1.5, 'out', 1)).toEqual({ at: 0.5, way: -1 });
    expect(told(over('stop'), 'loop', 'over', 5, 'out', 1)).toEqual({ at: 5, way: 0 });
    expect(told(over('finish'), 'loop', 'over', 1.5, 'out', 0.25)).toEqual({ at: 1.75, way: 1 });
    expect(told(over('finish'), 'loop', 'over', 1.5, 'out', 1, 'over', 0.25)).toEqual({ at: 0.25, way: 1 });
  });
  test('coming into the window starts it, again where it is told to', () => {
    const enter = (again: boolean): Driver => ({ kind: 'enter', again });
    expect(told(enter(false), 'once', 0.5, 'enter', 0.5, 'leave', 0.5, 'enter', 0.25)).toEqual({ at: 1.25, way: 1 });
    expect(told(enter(true), 'once', 'enter', 0.5, 'leave', 0.5, 'enter', 0.25)).toEqual({ at: 0.25, way: 1 });
  });
  test('a passage through the window is tied at its start, middle and end', () => {
    const whole: Driver = { kind: 'scroll', enters: null, middle: null, leaves: null };
    expect([0, 0.25, 0.5, 1].map((share) => timeOfScroll(whole, clock('there-and-back'), share))).toEqual([0, 1, 2, 4]);
    const tied: Driver = { kind: 'scroll', enters: 0.5, middle: 0.6, leaves: 2 };
    const times = [-1, 0, 0.25, 0.5, 0.75, 1, 2].map((share) => timeOfScroll(tied, clock('loop'), share));
    const wanted = [0.5, 0.5, 0.55, 0.6, 1.3, 2, 2];
    times.forEach((time, i) => expect(time).toBeCloseTo(wanted[i]!, 12));
  });
});
