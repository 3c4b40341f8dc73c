// What drives a scene, as a machine of its own: it imports nothing, because what is sent to pages carries it as it stands
// (`npm run page-scripts` writes it out as JavaScript, a test asks that this was done).

/** One thing that drives: what it is, and what its second event does ('' where there is none). */
export type Rule = readonly [
  kind: 'time' | 'scroll' | 'over' | 'click' | 'enter',
  then: 'back' | 'stop' | 'finish' | 'restart' | 'again' | '',
];

/** What the machine is told of a scene. */
export interface DriveSpec {
  readonly rules: readonly Rule[];
  /** s of one way. */
  readonly duration: number;
  /** s of the whole: of what goes there and back, both ways. */
  readonly length: number;
  /** Whether it is played once. */
  readonly once: boolean;
  /** How often it is played; 0: for ever. */
  readonly times: number;
  /** s that are shown as it comes into the window, passes its middle and leaves, where it is scrolled past. */
  readonly stops: readonly number[];
  /** s of the lead-in, shown by times below 0: played before the loop by what runs it by time, and as it comes into the window. */
  readonly lead: number;
}

/** What happens on a page to what is driven: the pointer comes over it or leaves it, it is pressed, it comes into the window or leaves it. */
export type DriveEvent = 'over' | 'out' | 'press' | 'enter' | 'leave';

/** Where a driven scene is. */
export interface Driven {
  /** The time that is shown, s. */
  readonly at: number;
  /** +1: it runs, −1: it goes back, 0: it stands still. */
  readonly way: 1 | 0 | -1;
  /** The time at which it ends, s, as what set it in motion last has it. */
  readonly end: number;
  /** Whether it has been in the window. */
  readonly seen: boolean;
}

/** The time, s, at which it ends by a rule: what goes back runs one way, what is run through once the whole, the others as the clock repeats. */
export function endOf({ duration, length, once, times }: DriveSpec, then: string): number {
  if (then === 'back' || once) return duration;
  if (then === 'finish' || then === 'restart') return length;
  return times ? times * length : Infinity;
}

/** Where it begins: with the lead-in where it runs by itself. */
const firstOf = ({ rules, lead }: DriveSpec): number =>
  rules.some(([kind]) => kind === 'time' || kind === 'enter') && lead > 0 ? -lead : 0;

/** What it is before anything has happened. */
export function undriven(spec: DriveSpec): Driven {
  const runs = spec.rules.some(([kind]) => kind === 'time');
  const [, then] = spec.rules[0] ?? ['time', ''];
  return { at: firstOf(spec), way: runs ? 1 : 0, end: endOf(spec, then), seen: false };
}

/** Set in motion by a rule, from the start where it had ended and does not go back. */
export function onward(spec: DriveSpec, state: Driven, then: string): Driven {
  const end = endOf(spec, then);
  return { ...state, at: state.at >= end && then !== 'back' ? 0 : state.at, way: 1, end };
}

/** What one rule makes of an event. */
function ruled(spec: DriveSpec, [kind, then]: Rule, state: Driven, event: DriveEvent): Driven {
  if (kind === 'over' && event === 'over') return onward(spec, state, then);
  if (kind === 'over' && event === 'out' && then !== 'finish') return { ...state, way: then === 'back' ? -1 : 0 };
  if (kind === 'click' && event === 'press') {
    const end = endOf(spec, then);
    if (then === 'restart') return { ...state, at: 0, way: 1, end };
    if (then === 'stop') return state.way === 0 ? onward(spec, state, then) : { ...state, way: 0 };
    return { ...state, way: state.way > 0 || state.at >= end ? -1 : 1, end };
  }
  if (kind === 'enter' && event === 'enter' && (then === 'again' || !state.seen))
    return { ...state, at: firstOf(spec), way: 1, end: endOf(spec, then) };
  return state;
}

/** What an event makes of it: each rule in turn is asked. */
export function happened(spec: DriveSpec, state: Driven, event: DriveEvent): Driven {
  const next = spec.rules.reduce((now, rule) => ruled(spec, rule, now, event), state);
  return event === 'enter' ? { ...next, seen: true } : next;
}

/** The same so many seconds later. */
export function advanced(spec: DriveSpec, state: Driven, seconds: number): Driven {
  if (state.way === 0) return state;
  // Back goes to where the loop begins, and further only within the lead-in.
  const start = state.at < 0 ? firstOf(spec) : 0;
  const at = state.at + state.way * seconds;
  if (at <= start && state.way < 0) return { ...state, at: start, way: 0 };
  if (at >= state.end && state.way > 0) return { ...state, at: state.end, way: 0 };
  return { ...state, at };
}

/** The same where less motion is asked for: at once where it was going to. */
export function atOnce({ length }: DriveSpec, state: Driven): Driven {
  if (state.way === 0) return state;
  return { ...state, at: state.way > 0 ? Math.min(state.end, length) : 0, way: 0 };
}

/** The time, s, of a share of its passage through the window: 0 as it comes in, 1 as it leaves. */
export function timeOfPassage({ stops }: DriveSpec, share: number): number {
  const [enters = 0, middle = 0, leaves = 0] = stops;
  const held = Math.min(1, Math.max(0, share));
  return held < 0.5 ? enters + (middle - enters) * 2 * held : middle + (leaves - middle) * (2 * held - 1);
}

/** s before a loop's end at which its last moment is shown, and within which of it a time is the end. */
export const MOMENT = 1e-6;

/**
 * The time, s, to be shown for one at which it is. At a loop's end it is at its start again: what stands there, or is held there by a passage, shows the last moment instead, whatever the clock
 * makes of the end.
 */
export function shownTime({ length, once, rules }: DriveSpec, at: number): number {
  const rounds = Math.round(at / length);
  const runs = rules.length === 1 && rules[0]?.[0] === 'time';
  return !once && !runs && rounds > 0 && Math.abs(at - rounds * length) < MOMENT ? rounds * length - MOMENT : at;
}
