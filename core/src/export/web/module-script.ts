import { type Curve, type DrawnArt, type Take } from '../../take/index.ts';
import { formatNumber } from '../text.ts';
import { driveSpecOf } from './drive-script.ts';
import { PERCENT_DIGITS } from './css.ts';
import { numberOf, type Track, type Tracked } from './tracks.ts';

/** Numbers of a track as they are written: [time, value] or [time, value, ease, ease] for each key; time as a share of the loop. */
const keysOf = (curve: Curve, length: number, property: Tracked): string =>
  `[${curve
    .map(({ time, value, ease }) => {
      const numbers = [formatNumber(time / length, PERCENT_DIGITS + 2), numberOf(property, value)];
      return `[${[...numbers, ...(ease ? ease.map((one) => formatNumber(one, 4)) : [])].join(',')}]`;
    })
    .join(',')}]`;

/** What moves, as data: name, property, keys, whether it changes at once, and its keys in the lead-in, where it enters: their times as shares of that. */
export function tracksText(tracks: readonly Track[], { length, leadIn }: Take): string {
  const lines = tracks.map(({ name, property, curve, steps, entering }) => {
    const keys = keysOf(curve ?? steps ?? [], length, property);
    const jumps = curve ? (entering ? ', 0' : '') : ', 1';
    const before = entering ? `, ${keysOf(entering, leadIn, property)}` : '';
    return `  [${JSON.stringify(name)}, ${JSON.stringify(property)}, ${keys}${jumps}${before}],`;
  });
  return `[\n${lines.join('\n')}\n]`;
}

const CHANNELS = [
  ['x', 'x'],
  ['y', 'y'],
  ['angle', 't'],
  ['skew', 'k'],
  ['scaleX', 'w'],
  ['scaleY', 'h'],
  ['opacity', 'o'],
] as const;

/** Where a rider's channels stand: those that move by the names of their tracks, the others as numbers. In pairs: an id may be the name of something that every object has. */
export function ridersText(take: Take, prefix: string): string {
  const seen = new Set<string>();
  const lines = take.drawing.flatMap((drawn, i) => {
    if (drawn.kind !== 'art' || seen.has(drawn.id)) return [];
    seen.add(drawn.id);
    return [`  [${JSON.stringify(drawn.id)}, {${channelsText(drawn, `${prefix}-${i + 1}`)}}],`];
  });
  return `[\n${lines.join('\n')}\n]`;
}

function channelsText({ curves }: DrawnArt, name: string): string {
  return CHANNELS.map(([channel, key]) => {
    const curve = curves[channel];
    const value = curve.length > 1 ? JSON.stringify(`${name}${key}`) : numberOf(key, curve[0]?.value ?? 0);
    return `${channel}: ${value}`;
  }).join(', ');
}

/** The settings of a module's drawing. */
export const specText = (take: Take): string => JSON.stringify(driveSpecOf(take));

/** All of a module that is the same for each: what reads the data, sets it in motion and lets it be told what to do. */
export const MODULE_SCRIPT = `const WRITE = {
  x: (v) => ['transform', \`translate(\${v}px)\`],
  y: (v) => ['transform', \`translateY(\${v}px)\`],
  t: (v) => ['transform', \`rotate(\${v}deg)\`],
  k: (v) => ['transform', \`skewX(\${v}deg)\`],
  w: (v) => ['transform', \`scaleX(\${v})\`],
  h: (v) => ['transform', \`scaleY(\${v})\`],
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
      easing: jumps ? 'step-end' : a === undefined ? 'linear' : \`cubic-bezier(.3333,\${a},.6667,\${b})\`,
    });
  });
  const last = frames[frames.length - 1];
  if (last.offset < 1) frames.push({ ...last, offset: 1 });
  return frames;
}

const folded = (time) => (time < 0 && time >= -SPEC.lead ? time : SPEC.once ? Math.min(SPEC.length, Math.max(0, time)) : ((time % SPEC.length) + SPEC.length) % SPEC.length);

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
    transform: \`matrix(\${a},\${b},\${-b},\${a},\${px - a * ax + b * ay},\${py - b * ax - a * ay})\`,
  });
  svg.querySelector(':scope>g').style.clipPath = 'none';
}

/**
 * Puts the drawing into an element and sets it in motion.
 * options.driver: 'time' | 'over' | 'click' | 'enter' | 'scroll' | 'none' (none: only what is told moves it); absent: as it was made.
 * options.leadIn: false: the loop begins at once; otherwise what enters does so first, where time or coming into the window drives it.
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
    .map(([one, , property, , , keys]) => held(one, framesOf(property, keys), { duration: SPEC.lead * 1000, fill: 'backwards' }));
  const all = [...loops, ...entries];
  const show = (time) => {
    loops.forEach((one) => (one.currentTime = time * 1000));
    entries.forEach((one) => (one.currentTime = (time + SPEC.lead) * 1000));
  };
  const { driver: kind = SPEC.kind, then = SPEC.then, leadIn = true } = options;
  const spec = { ...SPEC, kind, then, lead: leadIn ? SPEC.lead : 0 };
  const driven = drive(options.on ?? svg, show, spec);
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
    refit,
    destroy: () => {
      driven.stop();
      removeEventListener('resize', refit);
      removeEventListener('scroll', refit, { capture: true });
      all.forEach((one) => one.cancel());
      svg.remove();
    },
  };
}`;
