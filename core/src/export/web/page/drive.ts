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

/**
 * Drives animations on a page: the machine of core/src/drive, told what happens there. `box` is what is pressed, passed over and scrolled; `show` is given each time, s; with `told`
 * its passage through the window is told it, not looked for.
 */
export function drive(
  box: HTMLElement | SVGElement,
  show: (time: number) => void,
  spec: DriveSpec,
  told?: boolean,
): Driving {
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
  const act = (event: DriveEvent): void => set(happened(known, state, event));
  // What takes no keys by itself becomes something that does.
  const own = (driven('over') || driven('click')) && box.tabIndex < 0;
  if (own) {
    const given = { tabindex: '0', ...(driven('click') && { role: 'button' }) };
    for (const [name, value] of Object.entries(given)) {
      if (box.hasAttribute(name)) continue;
      box.setAttribute(name, value);
      undo.push(() => box.removeAttribute(name));
    }
  }
  if (driven('over')) {
    // Over it is a pointer, a finger that has tapped it, or the keyboard's focus: it is left when none of them is.
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
    if (!driven('click'))
      on(document, 'pointerup', (event) => {
        if (event.pointerType !== 'touch') return;
        const was = go('finger');
        if (event.composedPath().includes(box) && (!was || thenOf('over') === 'finish')) come('finger');
      });
  }
  if (driven('click')) {
    on(box, 'click', () => act('press'));
    if (own)
      on(box, 'keydown', (event) => {
        if (event.target !== box || (event.key !== 'Enter' && event.key !== ' ')) return;
        event.preventDefault();
        if (!event.repeat) act('press');
      });
  }
  if (driven('enter')) {
    let inside = false;
    const watcher = new IntersectionObserver((entries) => {
      const isIn = entries[entries.length - 1]!.isIntersecting;
      if (isIn !== inside) act(isIn ? 'enter' : 'leave');
      inside = isIn;
    });
    watcher.observe(box);
    undo.push(() => watcher.disconnect());
  }
  const pass = (share: number): void =>
    set({ ...state, at: calm ? spec.stops[1]! : timeOfPassage(spec, share), way: 0 });
  if (driven('scroll') && told) pass(0.5);
  else if (driven('scroll')) {
    const look = (): void => {
      const { top, height } = box.getBoundingClientRect();
      pass((innerHeight - top) / (innerHeight + height));
    };
    on(window, 'scroll', look, true);
    on(window, 'resize', look);
    look();
  } else set(state);
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
