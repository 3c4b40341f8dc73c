import { readFileSync } from 'node:fs';
import { describe, expect, test } from 'vitest';
import type { Clock, Driver } from '../scene/index.ts';
import { pageScripts } from '../../../scripts/page-scripts.ts';
import {
  advanced,
  driveSpec,
  happened,
  shownTime,
  timeOfPassage,
  undriven,
  type Driven,
  type DriveEvent,
} from './index.ts';

const clock = (repeat: Clock['repeat']): Clock => ({ duration: 2, fps: 30, repeat, times: null, tempo: null });

/** What drivers make of a tale of events and of seconds that pass. */
const told = (
  driver: Driver | readonly Driver[],
  repeat: Clock['repeat'],
  ...tale: readonly (DriveEvent | number)[]
): Pick<Driven, 'at' | 'way'> => {
  const spec = driveSpec({ driver: [driver].flat(), clock: clock(repeat) });
  const { at, way } = tale.reduce<Driven>(
    (state, one) => (typeof one === 'number' ? advanced(spec, state, one) : happened(spec, state, one)),
    undriven(spec),
  );
  return { at, way };
};

describe('what drives a scene', () => {
  test('time runs by itself, and ends only where the scene runs once', () => {
    expect(told({ kind: 'time' }, 'loop', 5)).toEqual({ at: 5, way: 1 });
    expect(told({ kind: 'time' }, 'once', 5)).toEqual({ at: 2, way: 0 });
  });
  test('it ends after as many times as the scene is played', () => {
    const twice = { ...clock('there-and-back'), times: 2 };
    const spec = driveSpec({ driver: [{ kind: 'time' }], clock: twice });
    const later = advanced(spec, undriven(spec), 7.5);
    expect(later).toMatchObject({ at: 7.5, way: 1 });
    expect(advanced(spec, later, 9)).toMatchObject({ at: 8, way: 0 });
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
    const passed = (driver: Driver, repeat: Clock['repeat'], share: number): number =>
      timeOfPassage(driveSpec({ driver: [driver], clock: clock(repeat) }), share);
    expect([0, 0.25, 0.5, 1].map((share) => passed(whole, 'there-and-back', share))).toEqual([0, 1, 2, 4]);
    const tied: Driver = { kind: 'scroll', enters: 0.5, middle: 0.6, leaves: 2 };
    const times = [-1, 0, 0.25, 0.5, 0.75, 1, 2].map((share) => passed(tied, 'loop', share));
    const wanted = [0.5, 0.5, 0.55, 0.6, 1.3, 2, 2];
    times.forEach((time, i) => expect(time).toBeCloseTo(wanted[i]!, 12));
  });
  test('what is driven holds its last moment, whatever the clock makes of the end', () => {
    for (const driver of [
      { kind: 'scroll', enters: null, middle: 2, leaves: 2 },
      { kind: 'over', leaving: 'back' },
      { kind: 'click', again: 'restart' },
    ] as const satisfies readonly Driver[])
      for (const repeat of ['loop', 'there-and-back', 'once'] as const) {
        const spec = driveSpec({ driver: [driver], clock: clock(repeat) });
        const end = repeat === 'there-and-back' ? 4 : 2;
        const shown = shownTime(spec, end);
        expect(shown).toBeCloseTo(end, 5);
        if (repeat !== 'once') expect(shown).toBeLessThan(end);
        expect(shownTime(spec, 1.25)).toBe(1.25);
        expect(shownTime(spec, 0)).toBe(0);
      }
    const spec = driveSpec({ driver: [{ kind: 'scroll', enters: null, middle: 2, leaves: 2 }], clock: clock('loop') });
    for (const share of [0.5, 0.6, 0.75, 1]) {
      const shown = shownTime(spec, timeOfPassage(spec, share));
      expect(shown, `at ${share}`).toBeGreaterThan(1.99);
      expect(shown, `at ${share}`).toBeLessThan(2);
    }
    // What runs by itself passes the end.
    expect(shownTime(driveSpec({ driver: [{ kind: 'time' }], clock: clock('loop') }), 2)).toBe(2);
  });
  test('several have their say: what set it in motion last says where it ends', () => {
    const both: Driver[] = [
      { kind: 'over', leaving: 'back' },
      { kind: 'click', again: 'restart' },
    ];
    // The pointer takes it one way and back; pressed, it runs through the whole; leaving takes that back too.
    expect(told(both, 'there-and-back', 'over', 9)).toEqual({ at: 2, way: 0 });
    expect(told(both, 'there-and-back', 'over', 1, 'press', 3)).toEqual({ at: 3, way: 1 });
    expect(told(both, 'there-and-back', 'over', 1, 'press', 3, 'out', 1)).toEqual({ at: 2, way: -1 });
    // Leaving while it plays back goes on back; coming over it again turns it round where it is.
    const turning: Driver[] = [
      { kind: 'over', leaving: 'back' },
      { kind: 'click', again: 'back' },
    ];
    expect(told(turning, 'loop', 'over', 1.5, 'press', 0.5, 'out', 0.25)).toEqual({ at: 0.75, way: -1 });
    expect(told(turning, 'loop', 'over', 1.5, 'press', 0.5, 'out', 0.25, 'over', 0.5)).toEqual({ at: 1.25, way: 1 });
    // Pressed twice at once it goes on as before.
    expect(told(turning, 'loop', 'over', 1, 'press', 'press', 0.5)).toEqual({ at: 1.5, way: 1 });
    // What plays by itself is stopped and let go by presses.
    const stopped: Driver[] = [{ kind: 'time' }, { kind: 'click', again: 'stop' }];
    expect(told(stopped, 'loop', 3, 'press', 5, 'press', 1)).toEqual({ at: 4, way: 1 });
  });
});

test('what is sent to pages carries the machine as it stands here', () => {
  const written = readFileSync(new URL('../export/web/page-scripts.ts', import.meta.url), 'utf8');
  expect(written, 'run `npm run page-scripts`').toBe(pageScripts());
});
