import { isConstant, type Curve, type Take } from '../../take/index.ts';
import { formatNumber } from '../text.ts';
import { darkRules, type NamedColor } from './colors.ts';
import { keyframesOf, wholly } from './css.ts';
import { stepFramesOf } from './steps.ts';
import type { Clipping, EchoRule } from './svg/writing.ts';
import {
  declarationOf,
  degrees,
  factor,
  px,
  type JointTrack,
  type Track,
  type TrackPath,
  type Within,
} from './tracks.ts';

/**
 * Transforms turn and scale about the canvas's corner, as they are written, whatever a page says of its drawings. It names no class that has other rules: an optimiser that puts a rule
 * of one element into it takes the class away.
 */
const originRule = (prefix: string): string => `[class^=${prefix}-]{transform-box:view-box;transform-origin:0 0}`;

/** The class of a whole drawing: none of those whose origin is set. */
export const wholeClass = (prefix: string): string => `${prefix}s`;

const PAINT_ITS_OWN = 'fill:#000;stroke:none;stroke-width:1px;stroke-linecap:butt;stroke-linejoin:miter';
const TEXT_ITS_OWN =
  ';font:initial;letter-spacing:normal;word-spacing:normal;text-transform:none;text-indent:0;text-shadow:none;text-anchor:start;writing-mode:horizontal-tb;direction:ltr;white-space:initial';

/** What a page says of its drawings and its text, and what is not meant for this one: it keeps its edges, its colours and its letters. */
export const ownRules = (hasText: boolean): string => `overflow:hidden;${PAINT_ITS_OWN}${hasText ? TEXT_ITS_OWN : ''}`;

/** The same of a picture within it that has edges of its own. */
export const FRAME_RULES =
  'fill:inherit;stroke:inherit;stroke-width:inherit;stroke-linecap:inherit;stroke-linejoin:inherit';

/** Of a whole drawing, and of the pictures within it that have edges: they keep them, but for those that say otherwise. */
function wholeRules({ prefix, hasText, hasFrames }: Pick<Moving, 'prefix' | 'hasText' | 'hasFrames'>): string {
  const whole = wholeClass(prefix);
  const frames = `.${whole} svg{${FRAME_RULES}}.${whole} svg:not([overflow]){overflow:hidden}`;
  return `.${whole}{${ownRules(hasText)}}${hasFrames ? frames : ''}`;
}

/** What the style says of a drawing that stands still: the point it is turned about, and what its clips hide (writing.ts). */
const standingRules = (moving: Omit<Moving, 'tracks' | 'echoes'>): string =>
  wholeRules(moving) +
  darkRules(moving.colors, moving.prefix) +
  originRule(moving.prefix) +
  [...moving.clips].map(([id, by]) => `.${id}{${by}:url(#${id})}`).join('');

/**
 * The style sheet of a drawing: all that moves has the class `prefix-m`, what goes back as it came `prefix-r` too. For those who asked for less motion it stands still, unless something else than time drives it: then
 * `driven` says how it stands until that does. The rule that sets all in motion is in a condition: optimisers leave it where it is, and do not put it into the one element that
 * moves, where it would outdo that one's own.
 */
export function styleOf(take: Take, moving: Moving, driven = ''): string {
  const { prefix, tracks, echoes } = moving;
  const standing = standingRules(moving);
  if (tracks.length === 0) return `<style>${standing}</style>`;
  const led = take.leadIn > 0 ? `${seconds(take.leadIn)} ` : '';
  const times = take.times === null ? `infinite${led && ' backwards'}` : `${take.times} both`;
  const back = tracks.some(({ mirrored }) => mirrored)
    ? `.${prefix}-r{animation-duration:${seconds(take.duration)};animation-direction:alternate}`
    : '';
  const plays = `${seconds(take.length)} linear ${led}${times}`;
  const entries = tracks.map((track) => entryRule(track, take, track.runs ? runningFrom(take) : plays));
  const runs = `.${prefix}-m{animation:${plays}}${back}${entries.join('')}`;
  const all = driven ? runs : `@media (prefers-reduced-motion:no-preference){${runs}}`;
  const rules = tracks.map((track) =>
    track.joint ? jointRule(track, track.joint, take, driven !== '') : ruleOf(track, take),
  );
  const ahead = [...echoes].map(([name, echo]) => echoRule(name, echo));
  return `<style>${standing}${all}${rules.join('')}${ahead.join('')}${driven}</style>`;
}

/** What moves in a drawing. */
export interface Moving {
  readonly prefix: string;
  readonly tracks: readonly Track[];
  readonly echoes: ReadonlyMap<string, EchoRule>;
  readonly clips: ReadonlyMap<string, Clipping>;
  /** Whether there is text in it, and pictures with edges of their own. */
  readonly hasText: boolean;
  readonly hasFrames: boolean;
  /** Colours that a page may set. */
  readonly colors: readonly NamedColor[];
}

const seconds = (time: number): string => `${formatNumber(time, 6)}s`;

/**
 * What enters plays its lead-in over the loop's first key, which stands until the loop begins. Its whole rule is in the condition: a name that stood outside of it would be put into the element by
 * optimisers, and outdo this.
 */
function entryRule({ name, curve, steps, entering }: Track, { leadIn }: Take, plays: string): string {
  if (!entering) return '';
  const enters = `${seconds(leadIn)} linear ${name}i`;
  const changes = curve ? !isConstant(curve) : steps && steps.length > 1;
  return `.${name}{animation:${changes ? `${plays} ${name},` : ''}${enters}${curve ? '' : ';animation-timing-function:step-end'}}`;
}

/** How often something is played whose loop begins with the lead-in; null: for ever. */
const timesFrom = ({ length, leadIn, times }: Take): number | null =>
  times === null ? null : times + Math.round(leadIn / length);

/** How that is played. */
function runningFrom(take: Take): string {
  const times = timesFrom(take);
  return `${seconds(take.length)} linear ${times === null ? 'infinite' : `${times} both`}`;
}

/** The same as what it is in place of how the others are played. */
function runsRule({ runs }: Track, take: Take): string {
  if (!runs) return '';
  const times = timesFrom(take);
  return `;animation-delay:0s${times === null ? '' : `;animation-iteration-count:${times}`}`;
}

function ruleOf(track: Track, take: Take): string {
  const { length, duration, leadIn } = take;
  const { name, property, curve, steps, path, mirrored, entering } = track;
  const declaration = (value: number): string => declarationOf(property, value);
  const more = runsRule(track, take);
  const whole = mirrored ? duration : length;
  if (!curve) {
    const shown = mirrored ? (steps ?? []).filter(({ time }) => time < duration) : (steps ?? []);
    const loop = entering && shown.length === 1 ? '' : stepFramesOf(name, shown, whole, declaration);
    if (entering) return loop + stepFramesOf(`${name}i`, entering, leadIn, declaration);
    return `.${name}{animation-name:${name};animation-timing-function:step-end${more}}${loop}`;
  }
  const entry = entering ? keyframesOf(`${name}i`, wholly(entering, leadIn), leadIn, declaration) : '';
  if (entry) return (isConstant(curve) ? '' : keyframesOf(name, curve, whole, declaration)) + entry;
  const keys = mirrored ? firstHalf(curve, duration) : curve;
  const rule = `.${name}{${path ? `${alongRule(path)}${declaration(curve[0]?.value ?? 0)};` : ''}animation-name:${name}${more}}`;
  return `${path ? `@supports(offset-rotate:auto){${rule}}` : rule}${keyframesOf(name, keys, whole, declaration)}`;
}

/**
 * A place and a turn as properties of their own of one element: browsers play them beside the page's own work. Only what plays has them: what stands still, and browsers that know
 * none, keep the transform that is written.
 */
function jointRule(track: Track, { y, turn, within }: JointTrack, take: Take, isDriven: boolean): string {
  const { name, curve, mirrored } = track;
  const whole = mirrored ? take.duration : take.length;
  const half = (keys: Curve): Curve => (mirrored ? firstHalf(keys, take.duration) : keys);
  const turns = !isConstant(turn);
  const stands = !turns && turn[0] && turn[0].value !== 0 ? `rotate:${degrees(turn[0].value)}deg;` : '';
  const rule = `@supports(translate:0px){.${name}{transform:${within ? standing(within) : STAYS};${stands}animation-name:${name}${turns ? `,${name}t` : ''}${runsRule(track, take)}}}`;
  const place = keyframesOf(name, half(curve ?? []), whole, (x, i) => `translate:${px(x)}px ${px(y[i]?.value ?? 0)}px`);
  const turning = turns ? keyframesOf(`${name}t`, half(turn), whole, (value) => `rotate:${degrees(value)}deg`) : '';
  return `${isDriven ? rule : `@media (prefers-reduced-motion:no-preference){${rule}}`}${place}${turning}`;
}

/** A transform that changes nothing. With none at all WebKit takes the attribute's, beside the place and the turn. */
const STAYS = 'translate(0)';

/** What stands still within a place and a turn, as CSS. */
function standing({ skew, scaleX, scaleY, pivot: [x, y] }: Within): string {
  const lean = skew === 0 ? '' : `skewX(${degrees(skew)}deg)`;
  const size = scaleX === 1 && scaleY === 1 ? '' : `scale(${factor(scaleX)},${factor(scaleY)})`;
  const away = x === 0 && y === 0 ? '' : `translate(${px(-x)}px,${px(-y)}px)`;
  return lean + size + away || STAYS;
}

/** What goes along a path stands where that is, not where it stands for those who know no such motion. */
const alongRule = ({ data, turns }: TrackPath): string =>
  `transform:none;offset-path:path("${data}");offset-rotate:${turns ? 'auto' : '0deg'};`;

/** What is ahead of its tracks; and, as for less motion it stands where it begins, where that is. */
const echoRule = (name: string, { ahead, share }: EchoRule): string =>
  `.${name}{animation-delay:-${seconds(ahead)}${share === null ? '' : `;${declarationOf('p', share)}`}}`;

/** Keys of a curve up to a time, s, at which it has one. */
function firstHalf(curve: Curve, until: number): Curve {
  const last = curve.findIndex(({ time }) => time > until - 1e-9);
  return curve.slice(0, last + 1);
}
