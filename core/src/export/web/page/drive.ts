import {
  advanced,
  atOnce,
  happened,
  shownTime,
  timeOfPassage,
  undriven,
  type Driven,
  type DriveEvent,
  type DriveSpec,
} from '../../../drive/machine.ts';
import type { Clock } from './clock.ts';

/** What drives, as what mounts it speaks to it. */
export interface Driving {
  run: (way: Driven['way']) => void;
  /** Shows a time, s. */
  at: (time: number) => void;
  /** Shows the time of a share of its passage through the window, from 0 to 1. */
  pass: (share: number) => void;
  rate: (rate: number) => void;
  state: () => Driven;
  resume: (state: Driven) => void;
  /** Listens until it is stopped. */
  on: (
    target: EventTarget,
    name: string,
    act: (event: PointerEvent & KeyboardEvent) => void,
    capture?: boolean,
  ) => void;
  stop: () => void;
}

type Box = HTMLElement | SVGElement;

/** What a way of being driven is given: how to listen, what to say, and what is undone in the end. */
interface Told {
  readonly on: Driving['on'];
  readonly act: (event: DriveEvent) => void;
  readonly undo: (() => void)[];
}

/** What takes no keys by itself becomes something that does. */
function madeFocusable(box: Box, role: string, { undo }: Told): void {
  for (const [name, value] of [
    ['tabindex', '0'],
    ['role', role],
  ] as const) {
    if (!value) continue;
    // A drawing is an image before it is a button.
    const before = box.getAttribute(name);
    box.setAttribute(name, value);
    undo.push(() => (before === null ? box.removeAttribute(name) : box.setAttribute(name, before)));
  }
}

/** Over it is a pointer, a finger that has tapped it, or the keyboard's focus: it is left when none of them is. */
function overIt(box: Box, again: boolean, isPressed: boolean, { on, act }: Told): void {
  const over = new Set<string>();
  const come = (who: string): void => {
    if (over.size === 0) act('over');
    over.add(who);
  };
  const go = (who: string): boolean => {
    const was = over.delete(who);
    if (was && over.size === 0) act('out');
    return was;
  };
  on(box, 'pointerenter', (event) => event.pointerType !== 'touch' && come('pointer'));
  on(box, 'pointerleave', (event) => event.pointerType !== 'touch' && go('pointer'));
  on(box, 'focus', () => box.matches(':focus-visible') && come('focus'));
  on(box, 'blur', () => go('focus'));
  // A finger that taps it is over it until it taps again, or elsewhere; where a press drives it too, a tap is one.
  if (isPressed) return;
  on(document, 'pointerup', (event) => {
    if (event.pointerType !== 'touch') return;
    const was = go('finger');
    if (event.composedPath().includes(box) && (!was || again)) come('finger');
  });
}

function pressed(box: Box, byKeys: boolean, { on, act }: Told): void {
  on(box, 'click', () => act('press'));
  if (!byKeys) return;
  on(box, 'keydown', (event) => {
    if (event.target !== box || (event.key !== 'Enter' && event.key !== ' ')) return;
    event.preventDefault();
    if (!event.repeat) act('press');
  });
}

/** Tells whether something is in the window, whenever that changes. */
function watched(one: Element, undo: (() => void)[], tell: (isIn: boolean) => void): void {
  const watcher = new IntersectionObserver((entries) => tell(entries[entries.length - 1]!.isIntersecting));
  watcher.observe(one);
  undo.push(() => watcher.disconnect());
}

function inView(box: Box, { act, undo }: Told): void {
  let inside = false;
  watched(box, undo, (isIn) => {
    if (isIn !== inside) act(isIn ? 'enter' : 'leave');
    inside = isIn;
  });
}

/** Tells how far it has passed through the window, whenever that may have changed; gives what looks. */
function passing(box: Box, pass: (share: number) => void, { on }: Told): () => void {
  const look = (): void => {
    const { top, height } = box.getBoundingClientRect();
    pass((innerHeight - top) / (innerHeight + height));
  };
  on(window, 'scroll', look, true);
  on(window, 'resize', look);
  return look;
}

/** What drives it besides, and who hears of it. */
export interface Around {
  /** Its passage through the window is told it, not looked for. */
  readonly told?: boolean;
  /** What is drawn: while that is out of the window it stands still. Absent: it runs wherever it is. */
  readonly drawn?: Element;
  /** Told after each frame that it has run, and as it stops: the times before and after, s, and whether it ran before and runs on. */
  readonly heard?: (from: number, to: number, ran: boolean, runs: boolean) => void;
}

/** What listens until all that is to be undone is. */
const listensUntil =
  (undo: (() => void)[]): Driving['on'] =>
  (target, name, act, capture) => {
    target.addEventListener(name, act as (event: Event) => void, capture);
    undo.push(() => target.removeEventListener(name, act as (event: Event) => void, capture));
  };

/** Listens to all that drives it; gives what looks how far it has passed, where that does. */
function listened(
  box: Box,
  spec: DriveSpec,
  page: Told,
  pass: (share: number) => void,
  told: boolean | undefined,
): (() => void) | undefined {
  const thenOf = (kind: string): string | undefined => spec.rules.find(([one]) => one === kind)?.[1];
  const driven = (kind: string): boolean => thenOf(kind) !== undefined;
  const own = box.tabIndex < 0;
  if (own && (driven('over') || driven('click'))) madeFocusable(box, driven('click') ? 'button' : '', page);
  if (driven('over')) overIt(box, thenOf('over') === 'finish', driven('click'), page);
  if (driven('click')) pressed(box, own, page);
  if (driven('enter')) inView(box, page);
  if (!driven('scroll')) return undefined;
  return told ? () => pass(0.5) : passing(box, pass, page);
}

/** Drives a clock on a page: the machine of core/src/drive, told what happens there. `box` is what is pressed, passed over and scrolled. */
export function drive(box: Box, clock: Clock, spec: DriveSpec, { told, drawn, heard }: Around = {}): Driving {
  const media = matchMedia('(prefers-reduced-motion: reduce)');
  let calm = media.matches;
  const undo: (() => void)[] = [];
  const known = (): DriveSpec => (calm ? { ...spec, lead: 0 } : spec);
  let state = undriven(known());
  let rate = 1;
  let last: number | undefined;
  let frame = 0;
  let [runs, isFresh, isAway] = [false, true, drawn !== undefined];
  /** The way that it went before less motion was asked for. */
  let calmed: Driven['way'] = 0;
  const on = listensUntil(undo);
  const show = (): void => clock.show(shownTime(spec, state.at));
  const step = (now: number): void => {
    const [from, ran] = [state.at, runs];
    if (calm) calmed = state.way;
    state = calm ? atOnce(spec, state) : advanced(spec, state, last === undefined ? 0 : (rate * (now - last)) / 1000);
    last = now;
    runs = state.way !== 0;
    if (!runs) show();
    else if (isFresh) clock.run(state.at, rate * state.way);
    isFresh = false;
    frame = runs ? requestAnimationFrame(step) : 0;
    // With less motion what goes on for ever has no end.
    if (ran || runs || Number.isFinite(state.end)) heard?.(from, state.at, ran, runs);
  };
  const halt = (): void => {
    cancelAnimationFrame(frame);
    frame = 0;
  };
  /** From the next frame on, where there is anything to run. */
  const begin = (): void => {
    last = undefined;
    isFresh = true;
    if (!state.way) halt();
    else if (!frame && !isAway) frame = requestAnimationFrame(step);
  };
  const set = (next: Driven): void => {
    state = next;
    calmed = 0;
    runs &&= state.way !== 0;
    show();
    begin();
  };
  const pass = (share: number): void =>
    set({ ...state, at: calm ? spec.stops[1]! : timeOfPassage(spec, share), way: 0 });
  const page: Told = { on, act: (event) => set(happened(known(), state, event)), undo };
  const looks = listened(box, spec, page, pass, told);
  if (drawn)
    watched(drawn, undo, (isIn) => {
      isAway = !isIn;
      if (isIn) return begin();
      halt();
      show();
    });
  if (looks) looks();
  else set(state);
  on(media, 'change', () => {
    calm = media.matches;
    if (looks) looks();
    else set(calm ? state : { ...state, way: calmed || state.way });
  });
  return {
    run: (way) => {
      if (way > 0 && state.at >= state.end) state = { ...state, at: 0 };
      set({ ...state, way });
    },
    at: (time) => set({ ...state, at: time }),
    pass,
    rate: (next) => {
      rate = Math.max(0, next);
      isFresh = true;
    },
    state: () => state,
    resume: set,
    on,
    stop: () => {
      halt();
      undo.forEach((back) => back());
    },
  };
}
