import { advanced, atOnce, happened, shownTime, timeOfPassage, undriven } from '../../../drive/machine.ts';

/**
 * Drives animations on a page: the machine of core/src/drive, told what happens there. `box` is what is pressed, passed over and scrolled; `show` is given each time, s; with `told`
 * its passage through the window is told it, not looked for. It gives what undoes it and what lets a time be shown.
 */
export function drive(box, show, spec, told) {
  const calm = matchMedia('(prefers-reduced-motion: reduce)').matches;
  const thenOf = (kind) => spec.rules.find(([one]) => one === kind)?.[1];
  const driven = (kind) => thenOf(kind) !== undefined;
  const undo = [];
  let state = undriven(calm ? { ...spec, lead: 0 } : spec);
  let rate = 1;
  let last;
  let frame = 0;
  const on = (target, name, act, options) => {
    target.addEventListener(name, act, options);
    undo.push(() => target.removeEventListener(name, act, options));
  };
  const tell = () => show(shownTime(spec, state.at));
  const step = (now) => {
    state = calm ? atOnce(spec, state) : advanced(spec, state, last === undefined ? 0 : (rate * (now - last)) / 1000);
    last = now;
    tell();
    frame = state.way ? requestAnimationFrame(step) : 0;
  };
  const set = (next) => {
    state = next;
    tell();
    if (state.way && !frame) {
      last = undefined;
      frame = requestAnimationFrame(step);
    }
  };
  const act = (event) => set(happened(calm ? { ...spec, lead: 0 } : spec, state, event));
  // What takes no keys by itself becomes something that does.
  const own = (driven('over') || driven('click')) && box.tabIndex < 0;
  if (own) {
    const given = { tabindex: '0', ...(driven('click') && { role: 'button' }) };
    for (const [name, value] of Object.entries(given)) {
      const before = box.getAttribute(name);
      box.setAttribute(name, value);
      undo.push(() => (before === null ? box.removeAttribute(name) : box.setAttribute(name, before)));
    }
  }
  if (driven('over')) {
    // Over it is a pointer, a finger that has tapped it, or the keyboard's focus: it is left when none of them is.
    const over = new Set();
    const come = (who) => {
      if (over.size === 0) act('over');
      over.add(who);
    };
    const go = (who) => over.delete(who) && over.size === 0 && act('out');
    on(box, 'pointerenter', (event) => event.pointerType !== 'touch' && come('pointer'));
    on(box, 'pointerleave', (event) => event.pointerType !== 'touch' && go('pointer'));
    on(box, 'focus', () => box.matches(':focus-visible') && come('focus'));
    on(box, 'blur', () => go('focus'));
    // A finger that taps it is over it until it taps again, or elsewhere; where a press drives it too, a tap is one.
    if (!driven('click'))
      on(document, 'pointerup', (event) => {
        if (event.pointerType !== 'touch') return;
        const was = go('finger') !== false;
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
      const { isIntersecting } = entries[entries.length - 1];
      if (isIntersecting !== inside) act(isIntersecting ? 'enter' : 'leave');
      inside = isIntersecting;
    });
    watcher.observe(box);
    undo.push(() => watcher.disconnect());
  }
  /** A share of its passage through the window, from 0 to 1. */
  const pass = (share) => set({ ...state, at: calm ? spec.stops[1] : timeOfPassage(spec, share), way: 0 });
  if (driven('scroll') && told) pass(0.5);
  else if (driven('scroll')) {
    const look = () => {
      const { top, height } = box.getBoundingClientRect();
      pass((innerHeight - top) / (innerHeight + height));
    };
    on(window, 'scroll', look, { capture: true, passive: true });
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
    rate: (next) => (rate = next),
    state: () => state,
    resume: (held) => set(held),
    stop: () => {
      cancelAnimationFrame(frame);
      frame = 0;
      undo.forEach((back) => back());
    },
  };
}
