import { afterEach, beforeEach, expect, test, vi } from 'vitest';
import { GivenUp, Tempo } from './tempo.ts';
import { chordOf } from './told.ts';

let now = 0;
beforeEach(() => {
  now = 0;
  vi.spyOn(performance, 'now').mockImplementation(() => now);
  vi.stubGlobal('requestAnimationFrame', (call: () => void) => {
    now += 16;
    setTimeout(call);
  });
});
afterEach(() => {
  vi.restoreAllMocks();
  vi.unstubAllGlobals();
});

test('what an unhurried hand does in a second has 60 steps, at double speed 30, and two at least', () => {
  let speed = 1;
  const tempo = new Tempo(
    () => speed,
    () => true,
  );
  expect(tempo.steps(1)).toBe(60);
  speed = 2;
  expect(tempo.steps(1)).toBe(30);
  speed = 400;
  expect(tempo.steps(1)).toBe(2);
});

test('it waits as long as an unhurried hand would, divided by the speed', async () => {
  await new Tempo(
    () => 4,
    () => true,
  ).wait(2);
  expect(now).toBeGreaterThanOrEqual(500);
  expect(now).toBeLessThan(550);
});

test('what appears is waited for, and not for ever', async () => {
  const tempo = new Tempo(
    () => 1,
    () => true,
  );
  expect(await tempo.until(() => (now > 300 ? 'there' : undefined))).toBe('there');
  expect(await tempo.until(() => undefined, 0.5)).toBeUndefined();
});

test('once it was given up nothing goes on', async () => {
  let isOn = true;
  const tempo = new Tempo(
    () => 1,
    () => isOn,
  );
  await tempo.frame();
  isOn = false;
  await expect(tempo.frame()).rejects.toThrow(GivenUp);
});

test('a chord is a key with what is held', () => {
  expect(chordOf('Control+d')).toEqual({ key: 'd', code: 'KeyD', ctrlKey: true });
  expect(chordOf('Shift+G')).toEqual({ key: 'G', code: 'KeyG', shiftKey: true });
  expect(chordOf('2')).toEqual({ key: '2', code: 'Digit2' });
  expect(chordOf(';')).toEqual({ key: ';', code: ';' });
});
