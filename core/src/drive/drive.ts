import { loopLength, type Clock, type Driver } from '../scene/index.ts';

/** Where a driven scene is, and which way it runs: the time that is shown, s, and +1, −1, or 0 where it stands still. */
export interface Driven {
  readonly at: number;
  readonly way: 1 | 0 | -1;
}

/** What happens on a page to what is driven: the pointer comes over it or leaves it, it is pressed, it comes into the window or leaves it. */
export type DriveEvent = 'over' | 'out' | 'press' | 'enter' | 'leave';

/** What it is before anything has happened. */
export const undriven = ({ kind }: Driver): Driven => ({ at: 0, way: kind === 'time' ? 1 : 0 });

/** Whether it goes back the way it came: then it runs between the start and the end of one way. */
const goesBack = (driver: Driver): boolean =>
  (driver.kind === 'over' && driver.leaving === 'back') || (driver.kind === 'click' && driver.again === 'back');

/** Whether it is run through once, from its start to its end. */
const runsOnce = (driver: Driver): boolean =>
  (driver.kind === 'over' && driver.leaving === 'finish') || (driver.kind === 'click' && driver.again === 'restart');

/** The time, s, at which it ends; infinite where it goes on as the scene repeats. */
function endOf(driver: Driver, clock: Clock): number {
  if (goesBack(driver) || clock.repeat === 'once') return clock.duration;
  if (runsOnce(driver)) return loopLength(clock);
  return clock.times === null ? Infinity : clock.times * loopLength(clock);
}

/** What an event makes of it. */
export function happened(driver: Driver, clock: Clock, state: Driven, event: DriveEvent): Driven {
  const ended = state.at >= endOf(driver, clock);
  const onward: Driven = { at: ended && !goesBack(driver) ? 0 : state.at, way: 1 };
  if (driver.kind === 'over') {
    if (event === 'over') return onward;
    if (event === 'out' && driver.leaving !== 'finish') return { ...state, way: driver.leaving === 'back' ? -1 : 0 };
  }
  if (driver.kind === 'click' && event === 'press') {
    if (driver.again === 'restart') return { at: 0, way: 1 };
    if (driver.again === 'stop') return state.way === 0 ? onward : { ...state, way: 0 };
    return { ...state, way: state.way > 0 || ended ? -1 : 1 };
  }
  if (driver.kind === 'enter' && event === 'enter' && (driver.again || (state.at === 0 && state.way === 0)))
    return { at: 0, way: 1 };
  return state;
}

/** The same so many seconds later. */
export function advanced(driver: Driver, clock: Clock, state: Driven, seconds: number): Driven {
  if (state.way === 0) return state;
  const end = endOf(driver, clock);
  const at = state.at + state.way * seconds;
  if (at <= 0 && state.way < 0) return { at: 0, way: 0 };
  if (at >= end && state.way > 0) return { at: end, way: 0 };
  return { at, way: state.way };
}

/** The times, s, that are shown as it enters the window, passes its middle, and leaves. */
export function scrollStops(
  driver: Extract<Driver, { kind: 'scroll' }>,
  clock: Clock,
): readonly [number, number, number] {
  const enters = driver.enters ?? 0;
  const leaves = driver.leaves ?? loopLength(clock);
  return [enters, driver.middle ?? (enters + leaves) / 2, leaves];
}

/** The time, s, that is shown at a share of its passage through the window: 0 as it enters, 1 as it leaves. */
export function timeOfScroll(driver: Extract<Driver, { kind: 'scroll' }>, clock: Clock, share: number): number {
  const [enters, middle, leaves] = scrollStops(driver, clock);
  const held = Math.min(1, Math.max(0, share));
  return held < 0.5 ? enters + (middle - enters) * 2 * held : middle + (leaves - middle) * (2 * held - 1);
}
