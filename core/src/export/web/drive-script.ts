import { scrollStops } from '../../drive/index.ts';
import type { Take } from '../../take/index.ts';

/** What `drive` is told of a take: how it is driven, s of one way and of the whole, and s shown while it scrolls past. */
export interface DriveSpec {
  readonly kind: string;
  readonly then: string;
  readonly duration: number;
  readonly length: number;
  readonly once: boolean;
  /** How often it is played; 0: for ever. */
  readonly times: number;
  readonly stops: readonly number[];
  /** s of the lead-in, shown by times below 0: played before the loop by what runs it by time, and as it comes into the window. */
  readonly lead: number;
}

export function driveSpecOf({ driver, duration, length, repeat, times, leadIn }: Take): DriveSpec {
  const then =
    driver.kind === 'over'
      ? driver.leaving
      : driver.kind === 'click' || driver.kind === 'enter'
        ? String(driver.again)
        : '';
  const clock = { duration, repeat, fps: 1, times: null, tempo: null };
  const stops = driver.kind === 'scroll' ? scrollStops(driver, clock) : [];
  const once = repeat === 'once';
  return { kind: driver.kind, then, duration, length, once, times: times ?? 0, stops, lead: leadIn };
}

/**
 * The function that drives animations on a page, in JavaScript: the same as core/src/drive says, over the Web Animations API. `box` is what is pressed, passed over and
 * scrolled; `show` is given each time, s. It gives what undoes it and what lets a time be shown.
 */
export const DRIVE_SCRIPT = `function drive(box, show, { kind, then, duration, length, once, times, stops, lead }) {
  const calm = matchMedia('(prefers-reduced-motion: reduce)').matches;
  const back = then === 'back';
  const end = back || once ? duration : then === 'finish' || then === 'restart' ? length : times ? times * length : Infinity;
  const undo = [];
  const first = calm || (kind !== 'time' && kind !== 'enter') ? 0 : -lead;
  let at = first;
  let way = 0;
  let last;
  let frame = 0;
  const on = (target, name, act, options) => {
    target.addEventListener(name, act, options);
    undo.push(() => target.removeEventListener(name, act, options));
  };
  // Just before a loop's end: at the end itself it would be at its start again.
  const tell = () => show(!once && at > 0 && at === end ? at - 1e-6 : at);
  const step = (now) => {
    // Back goes to where the loop begins, and further only within the lead-in.
    const start = at < 0 ? first : 0;
    if (last !== undefined) at += (way * (now - last)) / 1000;
    last = now;
    if (calm && way) at = way > 0 ? Math.min(end, length) : 0;
    if (calm || (at <= start && way < 0) || (at >= end && way > 0)) {
      at = Math.max(start, Math.min(end, at));
      way = 0;
    }
    tell();
    frame = way ? requestAnimationFrame(step) : 0;
  };
  const run = (next) => {
    way = next;
    if (way && !frame) {
      last = undefined;
      frame = requestAnimationFrame(step);
    }
  };
  const onward = () => {
    if (at >= end && !back) at = 0;
    run(1);
  };
  const press = () => {
    if (then === 'restart') {
      at = 0;
      tell();
    }
    if (then === 'stop' && way) run(0);
    else if (back) run(way > 0 || at >= end ? -1 : 1);
    else onward();
  };
  if (kind === 'time') run(1);
  if (kind === 'over') {
    const leave = () => then !== 'finish' && run(back ? -1 : 0);
    on(box, 'pointerenter', onward);
    on(box, 'pointerleave', leave);
    on(box, 'focus', onward);
    on(box, 'blur', leave);
  }
  if (kind === 'click') {
    on(box, 'click', press);
    on(box, 'keydown', (event) => {
      if (event.key !== 'Enter' && event.key !== ' ') return;
      event.preventDefault();
      press();
    });
  }
  if (kind === 'enter') {
    let seen = false;
    const watcher = new IntersectionObserver(([entry]) => {
      if (entry.isIntersecting && (then === 'true' || !seen)) {
        at = first;
        run(1);
      }
      seen ||= entry.isIntersecting;
    });
    watcher.observe(box);
    undo.push(() => watcher.disconnect());
  }
  if (kind === 'scroll') {
    const look = () => {
      const { top, height } = box.getBoundingClientRect();
      const share = Math.max(0, Math.min(1, (innerHeight - top) / (innerHeight + height)));
      const [a, b, c] = stops;
      at = calm ? b : share < 0.5 ? a + (b - a) * 2 * share : b + (c - b) * (2 * share - 1);
      tell();
    };
    on(window, 'scroll', look, { capture: true, passive: true });
    on(window, 'resize', look);
    look();
  } else tell();
  if (kind === 'over' || kind === 'click') {
    box.setAttribute('tabindex', '0');
    if (kind === 'click') box.setAttribute('role', 'button');
  }
  return {
    run,
    at: (time) => {
      at = time;
      tell();
    },
    stop: () => {
      run(0);
      cancelAnimationFrame(frame);
      undo.forEach((act) => act());
    },
  };
}`;
