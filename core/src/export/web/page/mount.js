// All of a module that is the same for each: what reads the data, sets it in motion and lets it be told what to do. SPEC, ENDS, MARKUP, TRACKS and RIDERS stand before it in what is sent.
import { drive } from './drive.js';

const WRITE = {
  x: (v) => ['transform', `translate(${v}px)`],
  y: (v) => ['transform', `translateY(${v}px)`],
  t: (v) => ['transform', `rotate(${v}deg)`],
  k: (v) => ['transform', `skewX(${v}deg)`],
  w: (v) => ['transform', `scaleX(${v})`],
  h: (v) => ['transform', `scaleY(${v})`],
  o: (v) => ['opacity', v],
  d: (v) => ['strokeDashoffset', v],
};

/** The value of a track at a share of the loop. */
function valueOf(keys, share) {
  let i = keys.length - 1;
  while (i > 0 && keys[i][0] > share) i--;
  const [t0, v0, a, b] = keys[i];
  const next = keys[i + 1];
  if (!next || next[0] <= t0) return v0;
  const u = Math.min(1, Math.max(0, (share - t0) / (next[0] - t0)));
  const s = 1 - u;
  return v0 + (next[1] - v0) * (a === undefined ? u : u * (3 * s * s * a + u * (3 * s * b + u)));
}

/** Keyframes of the Web Animations API. Of two keys at one time the second is a jump. */
function framesOf(property, keys, jumps) {
  const frames = [];
  keys.forEach(([offset, value, a, b]) => {
    const [name, text] = WRITE[property](value);
    frames.push({
      offset: Math.min(1, offset),
      [name]: text,
      easing: jumps ? 'step-end' : a === undefined ? 'linear' : `cubic-bezier(.3333,${a},.6667,${b})`,
    });
  });
  const last = frames[frames.length - 1];
  if (last.offset < 1) frames.push({ ...last, offset: 1 });
  return frames;
}

/** A time within the loop, s: whole rounds are taken off, down to its end. */
function folded(time) {
  if (time < 0 && time >= -SPEC.lead) return time;
  if (SPEC.once) return Math.min(SPEC.length, Math.max(0, time));
  const rest = ((time % SPEC.length) + SPEC.length) % SPEC.length;
  return rest === 0 && time > 0 ? SPEC.length : rest;
}

/** What a driver's second event does where nothing is said of it. */
const OFFERED = { over: 'back', click: 'back' };

/** What drives it: as it was made, or as options say. */
function rulesOf({ driver, then }) {
  if (driver === undefined && then === undefined) return SPEC.rules;
  const kinds = driver === undefined ? SPEC.rules.map(([kind]) => kind) : driver === 'none' ? [] : [driver].flat();
  const thens = [then].flat();
  const made = (kind) => SPEC.rules.find(([one]) => one === kind)?.[1];
  return kinds.map((kind, i) => [kind, thens[i] ?? made(kind) ?? OFFERED[kind] ?? '']);
}

/** Where every rider is at a share of the loop, from 0 to 1, without a page: px, degrees, factors. */
export function sample(progress) {
  const share = Math.min(1, Math.max(0, progress));
  const named = new Map(TRACKS.map(([name, , keys]) => [name, keys]));
  return Object.fromEntries(
    RIDERS.map(([id, channels]) => [
      id,
      Object.fromEntries(
        Object.entries(channels).map(([key, value]) => [
          key,
          typeof value === 'string' ? valueOf(named.get(value), share) : value,
        ]),
      ),
    ]),
  );
}

const rectOf = (end) => {
  const { left, top, width, height } = end.getBoundingClientRect();
  return [left + width / 2, top + height / 2];
};

/** Lays the drawing so that its two ends, canvas px, lie on the middles of two elements: turned, and as large as they are far apart. */
function lay(svg, { from, to, ends = ENDS }) {
  const [[ax, ay], [bx, by]] = ends;
  const [[px, py], [qx, qy]] = [rectOf(from), rectOf(to)];
  const [dx, dy] = [bx - ax, by - ay];
  const square = dx * dx + dy * dy || 1;
  const a = ((qx - px) * dx + (qy - py) * dy) / square;
  const b = ((qy - py) * dx - (qx - px) * dy) / square;
  Object.assign(svg.style, {
    position: 'fixed',
    left: '0',
    top: '0',
    width: svg.viewBox.baseVal.width + 'px',
    height: svg.viewBox.baseVal.height + 'px',
    maxWidth: 'none',
    overflow: 'visible',
    pointerEvents: 'none',
    transformOrigin: '0 0',
    transform: `matrix(${a},${b},${-b},${a},${px - a * ax + b * ay},${py - b * ax - a * ay})`,
  });
  svg.querySelector(':scope>g').style.clipPath = 'none';
}

/**
 * Puts the drawing into an element and sets it in motion.
 * options.driver: 'time' | 'over' | 'click' | 'enter' | 'scroll', several in a list, or 'none' (only what is told moves it); absent: as it was made. options.then: what their second events do.
 * options.leadIn: false: the loop begins at once; otherwise what enters does so first, where time or coming into the window drives it.
 * options.rate: how fast it runs; 1. options.state: what another mount gave by its state(): it goes on from there.
 * options.on: the element that drives it, where that is another. options.fit: { from, to, ends } lays it between two elements of the page.
 */
export function mount(element, options = {}) {
  const host = document.createElement('div');
  host.innerHTML = MARKUP;
  const svg = host.firstElementChild;
  if (options.className) svg.setAttribute('class', options.className);
  element.append(svg);
  // Of each that enters a second one over the first, which ends where the loop begins.
  const held = (one, frames, timing) => {
    const animation = one.animate(frames, timing);
    animation.pause();
    return animation;
  };
  const parts = TRACKS.flatMap((track) => [...svg.querySelectorAll('.' + track[0])].map((one) => [one, ...track]));
  const loops = parts.map(([one, , property, keys, jumps]) =>
    held(one, framesOf(property, keys, jumps), {
      duration: SPEC.length * 1000,
      iterations: SPEC.times || Infinity,
      fill: 'both',
    }),
  );
  const entries = parts
    .filter((part) => part[5])
    .map(([one, , property, , , keys]) =>
      held(one, framesOf(property, keys), { duration: SPEC.lead * 1000, fill: 'backwards' }),
    );
  const all = [...loops, ...entries];
  const show = (time) => {
    loops.forEach((one) => (one.currentTime = time * 1000));
    entries.forEach((one) => (one.currentTime = (time + SPEC.lead) * 1000));
  };
  const { leadIn = true, rate = 1, state: before } = options;
  const rules = rulesOf(options);
  const driven = drive(options.on ?? svg, show, { ...SPEC, rules, lead: leadIn ? SPEC.lead : 0 });
  driven.rate(rate);
  // Driven by something else than before it is where it was, and how it runs is the new one's.
  if (before && JSON.stringify(before.rules) === JSON.stringify(rules)) driven.resume(before.state);
  else if (before) driven.resume({ ...driven.state(), at: before.state.at, seen: before.state.seen });
  const refit = () => options.fit && lay(svg, options.fit);
  refit();
  if (options.fit) {
    addEventListener('resize', refit);
    addEventListener('scroll', refit, { capture: true, passive: true });
  }
  return {
    element: svg,
    play: () => driven.run(1),
    reverse: () => driven.run(-1),
    pause: () => driven.run(0),
    seek: (seconds) => driven.at(folded(seconds)),
    setProgress: (share) => driven.at(Math.min(1, Math.max(0, share)) * SPEC.length),
    setRate: driven.rate,
    state: () => ({ rules, state: driven.state() }),
    refit,
    destroy: () => {
      driven.stop();
      removeEventListener('resize', refit);
      removeEventListener('scroll', refit, { capture: true });
      all.forEach((one) => one.cancel());
      svg.remove();
    },
  };
}
