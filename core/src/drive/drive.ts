import { loopLength, type Clock, type Driver, type Scene } from '../scene/index.ts';
import type { DriveSpec, Rule } from './machine.ts';

type ScrollDriver = Extract<Driver, { kind: 'scroll' }>;

/** The times, s, that are shown as it enters the window, passes its middle, and leaves. */
export function scrollStops(driver: ScrollDriver, clock: Clock): readonly [number, number, number] {
  const enters = driver.enters ?? 0;
  const leaves = driver.leaves ?? loopLength(clock);
  return [enters, driver.middle ?? (enters + leaves) / 2, leaves];
}

function ruleOf(driver: Driver): Rule {
  if (driver.kind === 'over') return [driver.kind, driver.leaving];
  if (driver.kind === 'click') return [driver.kind, driver.again];
  if (driver.kind === 'enter') return [driver.kind, driver.again ? 'again' : ''];
  return [driver.kind, ''];
}

/** The whole loop, evenly: how a page scrolls past what it drives by its own wish. */
const PASSAGE: ScrollDriver = { kind: 'scroll', enters: null, middle: null, leaves: null };

/** What drives a scene as the machine reads it; `lead`: s that are played before the loop. */
export function driveSpec({ driver, clock }: Pick<Scene, 'driver' | 'clock'>, lead = 0): DriveSpec {
  const scroll = scrollOf(driver);
  return {
    rules: driver.map(ruleOf),
    duration: clock.duration,
    length: loopLength(clock),
    once: clock.repeat === 'once',
    times: clock.repeat === 'once' ? 1 : (clock.times ?? 0),
    stops: scrollStops(scroll ?? PASSAGE, clock),
    lead,
  };
}

/** How it is scrolled past, where that drives it. */
export const scrollOf = (drivers: readonly Driver[]): ScrollDriver | undefined =>
  drivers.find((one): one is ScrollDriver => one.kind === 'scroll');

/** Whether time runs it, and nothing else has a say. */
export const runsByTime = (drivers: readonly Driver[]): boolean => drivers.every(({ kind }) => kind === 'time');
