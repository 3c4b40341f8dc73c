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

function inView(box: Box, { act, undo }: Told): void {
  let inside = false;
  const watcher = new IntersectionObserver((entries) => {
    const isIn = entries[entries.length - 1]!.isIntersecting;
    if (isIn !== inside) act(isIn ? 'enter' : 'leave');
    inside = isIn;
  });
  watcher.observe(box);
  undo.push(() => watcher.disconnect());
}

/** Tells how far it has passed through the window, whenever that may have changed. */
function passing(box: Box, pass: (share: number) => void, { on }: Told): void {
  const look = (): void => {
    const { top, height } = box.getBoundingClientRect();
    pass((innerHeight - top) / (innerHeight + height));
  };
  on(window, 'scroll', look, true);
  on(window, 'resize', look);
  look();
}

/**
 * Drives animations on a page: the machine of core/src/drive, told what happens there. `box` is what is pressed, passed over and scrolled; `show` is given each time, s; with `told`
 * its passage through the window is told it, not looked for.
 */
export function drive(box: Box, show: (time: number) => void, spec: DriveSpec, told?: boolean): Driving {
  const calm = matchMedia('(prefers-reduced-motion: reduce)').matches;
  const known: DriveSpec = calm ? { ...spec, lead: 0 } : spec;
  const thenOf = (kind: string): string | undefined => spec.rules.find(([one]) => one === kind)?.[1];
  const driven = (kind: string): boolean => thenOf(kind) !== undefined;
  const undo: (() => void)[] = [];
  let state = undriven(known);
  let rate = 1;
  let last: number | undefined;
  let frame = 0;
  const on: Driving['on'] = (target, name, act, capture) => {
    target.addEventListener(name, act as (event: Event) => void, capture);
    undo.push(() => target.removeEventListener(name, act as (event: Event) => void, capture));
  };
  const tell = (): void => show(shownTime(spec, state.at));
  const step = (now: number): void => {
    state = calm ? atOnce(spec, state) : advanced(spec, state, last === undefined ? 0 : (rate * (now - last)) / 1000);
    last = now;
    tell();
    frame = state.way ? requestAnimationFrame(step) : 0;
  };
  const set = (next: Driven): void => {
    state = next;
    tell();
    if (state.way && !frame) {
      last = undefined;
      frame = requestAnimationFrame(step);
    }
  };
  const pass = (share: number): void =>
    set({ ...state, at: calm ? spec.stops[1]! : timeOfPassage(spec, share), way: 0 });
  const page: Told = { on, act: (event) => set(happened(known, state, event)), undo };
  const own = box.tabIndex < 0;
  if (own && (driven('over') || driven('click'))) madeFocusable(box, driven('click') ? 'button' : '', page);
  if (driven('over')) overIt(box, thenOf('over') === 'finish', driven('click'), page);
  if (driven('click')) pressed(box, own, page);
  if (driven('enter')) inView(box, page);
  if (!driven('scroll')) set(state);
  else if (told) pass(0.5);
  else passing(box, pass, page);
  return {
    run: (way) => {
      if (way > 0 && state.at >= state.end) state = { ...state, at: 0 };
      set({ ...state, way });
    },
    at: (time) => set({ ...state, at: time }),
    pass,
    rate: (next) => {
      rate = next;
    },
    state: () => state,
    resume: set,
    on,
    stop: () => {
      cancelAnimationFrame(frame);
      frame = 0;
      undo.forEach((back) => back());
    },
  };
}
