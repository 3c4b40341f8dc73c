// All of a module that is the same for each: what reads its data, sets it in motion and lets it be told what to do.
import type { Driven, Rule } from '../../../drive/machine.ts';
import type { RiderData } from './data.ts';
import { clockOf } from './clock.ts';
import { drive, type Driving } from './drive.ts';
import { elementOf, lay, stays, type Fit, type Held, type Stay } from './fit.ts';
import { built, newTail, picture, styled } from './markup.ts';
import { marksPassed, timeOfMark, wraps, type MarkPassed } from './passed.ts';
import { framesOf, valueOf, writerOf, type Write } from './tracks.ts';

/** A time within the loop, s: whole rounds are taken off, down to its end. */
function folded(time: number): number {
  if (time >= -SPEC.lead && time <= SPEC.length) return time;
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
  readonly lazy?: boolean;
  readonly svg?: SVGSVGElement;
}

type Heard = 'start' | 'loop' | 'end' | 'mark';
type Listener = (mark?: MarkPassed) => void;

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
 * Builds the drawing as it stands at first from its elements, by a function of somebody's own: on a server, or for a library of components.
 * @public
 */
export { picture };

/** Whom what happens is told, by its name. */
function listening(): {
  on: (name: Heard, act: Listener) => () => void;
  tell: (name: Heard, mark?: MarkPassed) => void;
} {
  const all = new Set<readonly [name: Heard, act: Listener]>();
  return {
    on: (name, act) => {
      const one = [name, act] as const;
      all.add(one);
      return () => void all.delete(one);
    },
    tell: (name, mark) => [...all].forEach(([wanted, act]) => wanted === name && act(mark)),
  };
}

/** Puts the drawing into an element; one that is there already becomes what it was built as, where its style was forbidden. */
function placed(element: Element, { svg: there, className }: Options): SVGSVGElement {
  const svg = there ?? (picture(built, newTail()) as SVGSVGElement);
  if (there) [there, ...there.querySelectorAll<SVGElement>('[style]')].forEach(styled);
  else element.append(svg);
  if (className) svg.setAttribute('class', className);
  return svg;
}

/** The kind of a transform that turns (SVG 2, 8.10). */
const TURN = 4;

/** What stands within the place and the turn of a group: those have properties of their own, in place of the first two of what is written for those who do without. */
function within(one: SVGGElement): string {
  const all = [...one.transform.baseVal];
  return String(
    all.slice(all[1]?.type === TURN ? 2 : 1).reduce((matrix, next) => matrix.multiply(next.matrix), new DOMMatrix()),
  );
}

/** All that moves in a drawing, held at its beginning: animations with their own times at time 0, s; and those of them that hold against the way that it is laid. */
function animatedIn(
  svg: SVGSVGElement,
  fit: Fit | undefined,
): { all: (readonly [Animation, number])[]; still: Stay[] } {
  const held = (one: Element, frames: Keyframe[], timing: KeyframeAnimationOptions): Animation => {
    const animation = one.animate(frames, timing);
    animation.pause();
    return animation;
  };
  /** Rounds that are played before the loop by what runs in the lead-in. */
  const rounds = Math.ceil(SPEC.lead / SPEC.length);
  const whole = (runs?: number): KeyframeAnimationOptions => ({
    duration: SPEC.length * 1000,
    iterations: SPEC.times ? SPEC.times + (runs ? rounds : 0) : Infinity,
    fill: 'both',
  });
  const ahead = (runs?: number): number => (runs ? rounds * SPEC.length : 0);
  const parts = TRACKS.flatMap((track, i) => {
    const [name, property] = track;
    // Capitals are of one group; the second channel of its place is of none.
    const isJoint = property < 'a';
    // A place that goes both ways: its second channel is the next track.
    const write: Write =
      property === 'X' ? (x, key) => ['translate', `${x}px ${TRACKS[i + 1]![2][key]![1]}px`] : writerOf(property);
    const found = svg.querySelectorAll<SVGGElement>('.' + (isJoint ? name.slice(0, -1) + 'j' : name));
    return [...found].map((one) => {
      if (isJoint) one.style.transform = within(one);
      return [one, track, write] as const;
    });
  });
  const all = parts.map(
    ([one, [, , keys, jumps, , runs], write]) =>
      [held(one, framesOf(keys, write, jumps), whole(runs)), ahead(runs)] as const,
  );
  // Of each that enters a second one over the first, which ends where the loop begins.
  for (const [one, [, , , jumps, keys], write] of parts)
    if (keys)
      all.push([held(one, framesOf(keys, write, jumps), { duration: SPEC.lead * 1000, fill: 'backwards' }), SPEC.lead]);
  const still = fit
    ? RIDERS.flatMap((rider) => stays(svg, rider, fit, (one, frames, runs) => held(one, frames, whole(runs))))
    : [];
  all.push(...still.map(({ animation, runs }) => [animation, ahead(runs)] as const));
  return { all, still };
}

/** Colours follow whether the page is a dark one; what a page says of them itself stands over that. */
function followed(svg: SVGSVGElement, on: Driving['on']): void {
  const media = matchMedia('(prefers-color-scheme: dark)');
  const set = (): void => DARK.forEach(([name, value]) => svg.style.setProperty(name, media.matches ? value : ''));
  set();
  on(media, 'change', set);
}

/**
 * Puts the drawing into an element and sets it in motion.
 * @public
 */
export function mount(element: Element, options: Options = {}): object {
  const svg = placed(element, options);
  const { leadIn = true, state: before, fit, lazy = !fit } = options;
  // What is set is taken back in the end, where the drawing stays.
  const unlaid = [svg, ...svg.querySelectorAll<SVGElement>('g[class]')].map((one) => [one, one.style.cssText] as const);
  const { all, still } = animatedIn(svg, fit);
  const refit = (): void => {
    const laid = fit && lay(svg, fit);
    if (laid) still.forEach(({ animation, frames }) => (animation.effect as KeyframeEffect).setKeyframes(frames(laid)));
  };
  refit();
  const { on, tell } = listening();
  // What is played once has one round.
  const round = SPEC.once ? 1e9 : SPEC.length;
  const heard = (from: number, to: number, ran: boolean, runs: boolean): void => {
    if (!ran) tell('start');
    // What stands at a mark as it starts passes it.
    const since = ran ? from : from - Math.sign(to - from || driven.state().way) * 1e-5;
    for (const mark of marksPassed(since, to, round))
      // What ends does not begin anew.
      if (runs || mark.time > 0 || to < SPEC.length / 2) tell('mark', mark);
    if (!runs) tell('end');
    else if (wraps(from, to, round)) tell('loop');
  };
  const rules = rulesOf(options);
  const box = ((options.on && elementOf(options.on)) ?? svg) as HTMLElement;
  const spec = { ...SPEC, rules, lead: leadIn ? SPEC.lead : 0 };
  const driven = drive(box, clockOf(all), spec, { heard, ...(lazy ? { drawn: svg } : {}) });
  let rate = 1;
  const setRate = (next: number): void => driven.rate((rate = Math.max(0, next)));
  setRate(options.rate ?? 1);
  // Driven by something else than before it is where it was, and how it runs is the new one's.
  if (before && JSON.stringify(before.rules) === JSON.stringify(rules)) driven.resume(before.state);
  else if (before) driven.resume({ ...driven.state(), at: before.state.at, seen: before.state.seen });
  if (DARK.length) followed(svg, driven.on);
  if (fit) {
    driven.on(window, 'resize', refit);
    driven.on(window, 'scroll', refit, true);
  }
  return {
    element: svg,
    length: SPEC.length,
    get time() {
      return folded(driven.state().at);
    },
    get rate() {
      return rate;
    },
    set rate(next) {
      setRate(next);
    },
    on,
    play: () => driven.run(1),
    reverse: () => driven.run(-1),
    pause: () => driven.run(0),
    seek: (to: number | string) => driven.at(folded(typeof to === 'string' ? timeOfMark(to) : to)),
    setProgress: (share: number) => driven.at(Math.min(1, Math.max(0, share)) * SPEC.length),
    setRate,
    state: (): State => ({ rules, state: driven.state() }),
    refit,
    destroy: () => {
      driven.stop();
      all.forEach(([one]) => one.cancel());
      still.forEach(({ undo }) => undo());
      if (options.svg) unlaid.forEach(([one, style]) => (one.style.cssText = style));
      else svg.remove();
    },
  };
}
