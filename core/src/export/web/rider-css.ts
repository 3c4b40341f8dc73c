import { z } from '../../zod.ts';
import type { Channel } from '../../motion/index.ts';
import { isConstant, type Curve, type DrawnArt, type Take } from '../../take/index.ts';
import { CARRY } from '../carry.ts';
import type { Format } from '../format.ts';
import { writeFile } from '../sink.ts';
import { cssComment, cssName, escapeMarkup, fileStem, formatNumber } from '../text.ts';
import { keyframesOf, wholly } from './css.ts';
import { degrees, factor, px, share } from './tracks.ts';

const options = z.object({
  rider: z.string().max(200).default('').describe('Name of the rider; empty: the first that moves; *: all of them'),
  selector: z
    .string()
    .max(200)
    .regex(/^[^{}<>;@\\/*]*$/, 'a selector, without braces')
    .default('')
    .describe('Selector of the element; empty: a class of the rider’s name'),
  ...CARRY,
});

/** Properties of an element's own, so that each of them can have keyframes of its own. */
const PROPERTIES = [
  { key: 'x', unit: 'px', syntax: '<length>', of: px },
  { key: 'y', unit: 'px', syntax: '<length>', of: px },
  { key: 'angle', unit: 'deg', syntax: '<angle>', of: degrees },
  { key: 'skew', unit: 'deg', syntax: '<angle>', of: degrees },
  { key: 'scaleX', unit: '', syntax: '<number>', of: factor },
  { key: 'scaleY', unit: '', syntax: '<number>', of: factor },
] as const;

/** Keyframes of one rider for an element of the reader's own: its place, turn, size and opacity, each with keys of its own. */
export const riderCss: Format<'take', typeof options> = {
  id: 'css',
  name: 'CSS for one element',
  group: 'web',
  about: 'One rider’s motion as keyframes, to put on an element of one’s own: its pivot moves as on the Desk.',
  extension: 'css',
  type: 'text/css',
  options,
  needs: 'take',
  holds: ['lead-in'],
  embed: (_, [file = '']) => `<link rel="stylesheet" href="${escapeMarkup(file)}">`,
  write: (take, given, sink) => {
    if (given.rider === ALL) {
      if (given.selector) throw new Error('a selector is for one rider: leave it empty for all of them');
      return writeFile(sink, `${fileStem(take.name)}.css`, 'text/css', textOfAll(take));
    }
    const drawn = riderOf(take, given.rider);
    if (given.rider && !drawn) throw new Error(`there is no rider “${given.rider}” in what is sent`);
    const stem = cssName((drawn ?? take).name);
    return writeFile(
      sink,
      `${stem}.css`,
      'text/css',
      drawn ? textOfRider(take, drawn, stem, given.selector) : '/* Nothing moves. */\n',
    );
  },
};

/** Asks for all riders. */
const ALL = '*';

/** Every rider once, under a name of its own. */
function textOfAll(take: Take): string {
  const [seen, taken] = [new Set<string>(), new Set<string>()];
  const texts = take.drawing.flatMap((drawn) => {
    if (drawn.kind !== 'art' || seen.has(drawn.id)) return [];
    seen.add(drawn.id);
    const plain = cssName(drawn.name);
    let stem = plain;
    for (let n = 2; taken.has(stem); n++) stem = `${plain}-${n}`;
    taken.add(stem);
    return [textOfRider(take, drawn, stem, '')];
  });
  return texts.join('\n') || '/* Nothing moves. */\n';
}

const moves = (drawn: DrawnArt): boolean =>
  drawn.entering !== null || Object.values(drawn.curves).some((curve) => !isConstant(curve));

function riderOf({ drawing }: Take, name: string): DrawnArt | undefined {
  const riders = drawing.filter((one) => one.kind === 'art');
  return (
    (name ? riders.find((one) => one.name === name || one.id === name) : riders.find(moves)) ??
    (name ? undefined : riders[0])
  );
}

/** How an element's animations are timed: the loop after the lead-in, where there is one, or with it where it runs there. */
function timings({ length, times, leadIn }: Take, runs: boolean): { readonly loop: string; readonly entry: string } {
  const lead = `${formatNumber(leadIn, 6)}s`;
  const delay = leadIn > 0 && !runs ? ` ${lead}` : '';
  const rounds = times === null ? null : times + (runs ? Math.round(leadIn / length) : 0);
  const often = rounds === null ? `infinite${delay && ' backwards'}` : `${rounds} both`;
  return { loop: `${formatNumber(length, 6)}s linear${delay} ${often}`, entry: `${lead} linear` };
}

function textOfRider(
  take: Take,
  { curves, runs, entering, art, name }: DrawnArt,
  stem: string,
  selector: string,
): string {
  const { length, leadIn } = take;
  const timing = timings(take, runs);
  const running: string[] = [];
  const rules: string[] = [];
  const declared: string[] = [];
  const entryOf = (channel: Channel): Curve | undefined => {
    const before = entering?.[channel];
    return !runs && before?.every(({ value }) => value === curves[channel][0]?.value) ? undefined : before;
  };
  // What enters does so by keyframes over the loop's first ones, which stand until the loop begins.
  const add = (property: string, channel: Channel, declaration: (value: number) => string): void => {
    const [curve, before] = [curves[channel], entryOf(channel)];
    const keyframes = `${stem}-${property}`;
    if (!isConstant(curve)) {
      running.push(`${keyframes} ${timing.loop}`);
      rules.push(`${keyframesOf(keyframes, curve, length, declaration)}\n`);
    }
    if (!before) return;
    running.push(`${keyframes}-in ${timing.entry}`);
    rules.push(`${keyframesOf(`${keyframes}-in`, wholly(before, leadIn), leadIn, declaration)}\n`);
  };
  const changes = (channel: Channel): boolean => !isConstant(curves[channel]) || entryOf(channel) !== undefined;
  const values = PROPERTIES.map(({ key, unit, syntax, of }) => {
    const curve = curves[key];
    const first = `${of(curve[0]?.value ?? 0)}${unit}`;
    if (!changes(key)) return first;
    const variable = `--${stem}-${key}`;
    declared.push(`@property ${variable} { syntax: "${syntax}"; inherits: false; initial-value: ${first}; }\n`);
    add(key, key, (v) => `${variable}:${of(v)}${unit}`);
    return `var(${variable})`;
  });
  const [x, y, angle, skew, scaleX, scaleY] = values;
  if (changes('opacity')) add('opacity', 'opacity', (v) => `opacity:${share(v)}`);
  const [pivotX, pivotY] = art.pivot;
  const lean = skew === '0deg' ? '' : ` skewX(${skew ?? ''})`;
  const fade =
    isConstant(curves.opacity) && curves.opacity[0]?.value !== 1
      ? `  opacity: ${share(curves.opacity[0]?.value ?? 1)};\n`
      : '';
  const animation = running.length > 0 ? `  animation: ${running.join(', ')};\n` : '';
  return (
    `/* ${cssComment(name)}. The element’s box is ${px(art.width)} by ${px(art.height)} px, laid at the top left of what it moves over. */\n` +
    declared.join('') +
    `${selector || `.${stem}`} {\n  position: absolute;\n  left: 0;\n  top: 0;\n  transform-origin: 0 0;\n` +
    `  transform: translate(${x ?? ''}, ${y ?? ''}) rotate(${angle ?? ''})${lean} scale(${scaleX ?? ''}, ${scaleY ?? ''}) translate(${px(-pivotX)}px, ${px(-pivotY)}px);\n${fade}${animation}}\n` +
    rules.join('') +
    `@media (prefers-reduced-motion: reduce) { ${selector || `.${stem}`} { animation: none; } }\n`
  );
}
