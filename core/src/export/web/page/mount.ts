// All of a module that is the same for each: what reads its data, sets it in motion and lets it be told what to do.
import type { Driven, Rule } from '../../../drive/machine.ts';
import type { RiderData } from './data.ts';
import { drive } from './drive.ts';
import { elementOf, lay, stays, type Fit, type Held } from './fit.ts';
import { framesOf, valueOf, writerOf } from './tracks.ts';

/** A time within the loop, s: whole rounds are taken off, down to its end. */
function folded(time: number): number {
  if (time < 0 && time >= -SPEC.lead) return time;
  if (SPEC.once) return Math.min(SPEC.length, Math.max(0, time));
  const rest = ((time % SPEC.length) + SPEC.length) % SPEC.length;
  return rest === 0 && time > 0 ? SPEC.length : rest;
}

/** What a driver's second event does where nothing is said of it. */
const OFFERED: Readonly<Record<string, string>> = { over: 'back', click: 'back' };

interface State {
  readonly rules: readonly Rule[];
  readonly state: Driven;
}

interface Options {
  readonly driver?: string | readonly string[];
  readonly then?: string | readonly string[];
  readonly leadIn?: boolean;
  readonly rate?: number;
  readonly state?: State;
  readonly on?: Held;
  readonly fit?: Fit;
  readonly className?: string;
}

/** What drives it: as it was made, or as options say. */
function rulesOf({ driver, then }: Options): readonly Rule[] {
  if (driver === undefined && then === undefined) return SPEC.rules;
  const kinds =
    driver === undefined ? SPEC.rules.map(([kind]) => kind) : driver === 'none' ? [] : [driver as string].flat();
  const thens = [then as string].flat();
  const made = (kind: string): string | undefined => SPEC.rules.find(([one]) => one === kind)?.[1];
  return kinds.map((kind, i) => [kind, thens[i] ?? made(kind) ?? OFFERED[kind] ?? ''] as unknown as Rule);
}

/**
 * Where every rider is at a share of the loop, from 0 to 1, without a page: px, degrees, factors. With a rider before it, by its code or name: where that one is.
 * @public
 */
export function sample(first: number | string, second = 0): unknown {
  const one =
    typeof first === 'string' &&
    (RIDERS.find(([code]) => code === first) ?? RIDERS.find(([, , , name]) => name === first));
  if (one === undefined) throw new RangeError('there is no rider ' + first);
  const share = Math.min(1, Math.max(0, one ? second : (first as number)));
  const named = new Map(TRACKS.map(([name, , keys]) => [name, keys]));
  const at = (channels: RiderData[1]): object =>
    Object.fromEntries(
      Object.entries(channels).map(([key, value]) => [
        key,
        typeof value === 'string' ? valueOf(named.get(value)!, share) : value,
      ]),
    );
  return one ? at(one[1]) : Object.fromEntries(RIDERS.map(([code, channels]) => [code, at(channels)]));
}

/**
 * Puts the drawing into an element and sets it in motion.
 * @public
 */
export function mount(element: Element, options: Options = {}): object {
  const host = document.createElement('div');
  host.innerHTML = MARKUP;
  const svg = host.firstElementChild as SVGSVGElement;
  if (options.className) svg.setAttribute('class', options.className);
  element.append(svg);
  const held = (one: Element, frames: Keyframe[], timing: KeyframeAnimationOptions): Animation => {
    const animation = one.animate(frames, timing);
    animation.pause();
    return animation;
  };
  const whole: KeyframeAnimationOptions = {
    duration: SPEC.length * 1000,
    iterations: SPEC.times || Infinity,
    fill: 'both',
  };
  const parts = TRACKS.flatMap((track) =>
    [...svg.querySelectorAll('.' + track[0])].map((one) => [one, track] as const),
  );
  const loops = parts.map(([one, [, property, keys, jumps, , runs]]) => ({
    animation: held(one, framesOf(keys, writerOf(property), jumps), whole),
    runs,
  }));
  // Of each that enters a second one over the first, which ends where the loop begins.
  const entries = parts.flatMap(([one, [, property, , jumps, keys]]) =>
    keys
      ? [held(one, framesOf(keys, writerOf(property), jumps), { duration: SPEC.lead * 1000, fill: 'backwards' })]
      : [],
  );
  const { leadIn = true, rate = 1, state: before, fit } = options;
  const still = fit ? RIDERS.flatMap((rider) => stays(svg, rider, fit, (one, frames) => held(one, frames, whole))) : [];
  loops.push(...still);
  const show = (time: number): void => {
    // What runs in the lead-in is there where it is in the loop.
    const within = time < 0 ? time + Math.ceil(-time / SPEC.length) * SPEC.length : time;
    loops.forEach(({ animation, runs }) => (animation.currentTime = (runs ? within : time) * 1000));
    entries.forEach((one) => (one.currentTime = (time + SPEC.lead) * 1000));
  };
  const refit = (): void => {
    const laid = fit && lay(svg, fit);
    if (laid) still.forEach(({ animation, frames }) => (animation.effect as KeyframeEffect).setKeyframes(frames(laid)));
  };
  refit();
  const rules = rulesOf(options);
  const box = ((options.on && elementOf(options.on)) ?? svg) as HTMLElement;
  const driven = drive(box, show, { ...SPEC, rules, lead: leadIn ? SPEC.lead : 0 });
  driven.rate(rate);
  // Driven by something else than before it is where it was, and how it runs is the new one's.
  if (before && JSON.stringify(before.rules) === JSON.stringify(rules)) driven.resume(before.state);
  else if (before) driven.resume({ ...driven.state(), at: before.state.at, seen: before.state.seen });
  if (fit) {
    driven.on(window, 'resize', refit);
    driven.on(window, 'scroll', refit, true);
  }
  return {
    element: svg,
    play: () => driven.run(1),
    reverse: () => driven.run(-1),
    pause: () => driven.run(0),
    seek: (seconds: number) => driven.at(folded(seconds)),
    setProgress: (share: number) => driven.at(Math.min(1, Math.max(0, share)) * SPEC.length),
    setRate: driven.rate,
    state: (): State => ({ rules, state: driven.state() }),
    refit,
    destroy: () => {
      driven.stop();
      [...loops.map(({ animation }) => animation), ...entries].forEach((one) => one.cancel());
      svg.remove();
    },
  };
}
