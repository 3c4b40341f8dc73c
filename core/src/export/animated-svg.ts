import { z } from 'zod';
import { artById, placedArt, type Art, type Scene } from '../scene/index.ts';
import type { DrawnStroke, Key, Take, Track } from '../take/index.ts';
import { escapeMarkup, fileStem, formatNumber, shortHash, type Format } from './format.ts';
import { pathData } from './path-data.ts';

const options = z.object({
  title: z.string().max(200).default('').describe('Title for screen readers; empty: the scene’s name'),
  background: z.boolean().default(true).describe('Paint the canvas’s background'),
});

/** A dash pattern cannot stand beside the dash that draws a line. */
export function droppedStrokes(scene: Scene): string[] {
  return scene.guides
    .filter((guide) => guide.stroke?.dash && guide.stroke.draws !== null)
    .map((guide) => `The dashes of “${guide.name}”: it is drawn by its rider as one line.`);
}

/** SVG that moves by CSS inside itself: self-contained, plays as a file, in an <img> and inline. */
export const animatedSvg: Format<typeof options> = {
  id: 'animated-svg',
  name: 'Animated SVG',
  about: 'One sharp file for pages: plays on its own, in an image element or inline, without scripts.',
  extension: 'svg',
  type: 'image/svg+xml',
  options,
  drops: droppedStrokes,
  write: (take, given) => [
    { name: `${fileStem(take.scene.name)}.svg`, type: 'image/svg+xml', text: `${svgOf(take, given)}\n` },
  ],
};

/** The drawing of a take as one <svg> element. Its ids, classes and keyframes carry a prefix made of its content, so that several can stand in one page. */
export function svgOf(take: Take, given: z.infer<typeof options>): string {
  const prefix = `pl${shortHash(render(take, given, 'pl'))}`;
  return render(take, given, prefix);
}

function render(take: Take, given: z.infer<typeof options>, prefix: string): string {
  const { scene, tracks } = take;
  const { width, height, background } = scene.canvas;
  const w = formatNumber(width, 3);
  const h = formatNumber(height, 3);
  const shared = sharedArts(scene, tracks);
  const rules: string[] = [];
  const strokes = take.strokes.map((stroke, i) => ({
    before: stroke.before,
    markup: strokeMarkup(take, stroke, `${prefix}-g${i + 1}`, prefix, rules),
  }));
  const riders = tracks.map((track, i) => riderMarkup(take, track, `${prefix}-r${i + 1}`, prefix, shared, rules));
  const strokesBetween = (from: number, to: number): string =>
    strokes.flatMap(({ before, markup }) => (before > from && before <= to ? [markup] : [])).join('');
  const drawing = riders
    .map((markup, i) => strokesBetween(tracks[i - 1]?.rider ?? -1, tracks[i]?.rider ?? 0) + markup)
    .concat(strokesBetween(tracks[tracks.length - 1]?.rider ?? -1, Infinity));
  const definitions = [...shared].map(
    ([art, n]) => `<g id="${prefix}-a${n}">${placedArt(art, `${prefix}-a${n}-`)}</g>`,
  );
  const style = rules.length
    ? `<style>${rules.join('')}@media (prefers-reduced-motion:reduce){.${prefix}-m{animation:none!important}}</style>`
    : '';
  const paint =
    given.background && background !== null ? `<rect width="${w}" height="${h}" fill="${background}"/>` : '';
  return (
    `<svg xmlns="http://www.w3.org/2000/svg" width="${w}" height="${h}" viewBox="0 0 ${w} ${h}" role="img" aria-labelledby="${prefix}-t">` +
    `<title id="${prefix}-t">${escapeMarkup(given.title || scene.name)}</title>${style}` +
    `<defs><clipPath id="${prefix}-c"><rect width="${w}" height="${h}"/></clipPath>${definitions.join('')}</defs>` +
    `<g clip-path="url(#${prefix}-c)">${paint}${drawing.join('')}</g></svg>`
  );
}

/** Arts that several riders show, numbered: written once and used. */
function sharedArts(scene: Scene, tracks: readonly Track[]): Map<Art, number> {
  const uses = new Map<Art, number>();
  for (const { rider } of tracks) {
    const art = artById(scene, scene.riders[rider]?.art ?? '');
    if (art) uses.set(art, (uses.get(art) ?? 0) + 1);
  }
  return new Map([...uses].filter(([, count]) => count > 1).map(([art], i) => [art, i + 1]));
}

function riderMarkup(
  take: Take,
  track: Track,
  name: string,
  prefix: string,
  shared: Map<Art, number>,
  rules: string[],
): string {
  const rider = take.scene.riders[track.rider];
  const art = rider && artById(take.scene, rider.art);
  const first = track.keys[0];
  if (!art || !first) return '';
  const number = shared.get(art);
  const drawing = number === undefined ? placedArt(art, `${name}-`) : `<use href="#${prefix}-a${number}"/>`;
  const turns = track.keys.some((key) => key.angle !== first.angle);
  const [px, py] = art.pivot;
  const inner = [
    turns || first.angle === 0 ? '' : `rotate(${degrees(first)})`,
    first.scaleX === 1 && first.scaleY === 1
      ? ''
      : `scale(${formatNumber(first.scaleX, 6)} ${formatNumber(first.scaleY, 6)})`,
    px === 0 && py === 0 ? '' : `translate(${formatNumber(-px, 4)} ${formatNumber(-py, 4)})`,
  ].filter(Boolean);
  const opacity = first.opacity === 1 ? '' : ` opacity="${formatNumber(first.opacity, 4)}"`;
  const still = `translate(${formatNumber(first.x, 3)} ${formatNumber(first.y, 3)})`;
  if (track.keys.length === 1) return `<g transform="${[still, ...inner].join('')}"${opacity}>${drawing}</g>`;
  rules.push(`@keyframes ${name}{${keyframes(track.keys, take.length, turns)}}`, animation(name, take));
  const begin = turns ? `${still}rotate(${degrees(first)})` : still;
  return (
    `<g class="${name} ${prefix}-m" transform="${begin}"${opacity}>` +
    (inner.length ? `<g transform="${inner.join('')}">${drawing}</g>` : drawing) +
    '</g>'
  );
}

/** A guide drawn as a line; drawn by its rider, a dash as long as the way so far. */
function strokeMarkup(
  take: Take,
  { guide: index, keys }: DrawnStroke,
  name: string,
  prefix: string,
  rules: string[],
): string {
  const guide = take.scene.guides[index];
  const stroke = guide?.stroke;
  if (!guide || !stroke) return '';
  const drawn = keys.length > 0;
  const dash = drawn
    ? ' pathLength="1" stroke-dasharray="1 1"'
    : stroke.dash
      ? ` stroke-dasharray="${stroke.dash.map((one) => formatNumber(one, 3)).join(' ')}"`
      : '';
  const line =
    `d="${pathData(guide.nodes, guide.closed)}" fill="none" stroke="${stroke.color}" stroke-width="${formatNumber(stroke.width, 3)}" ` +
    `stroke-linejoin="round"${drawn ? '' : ' stroke-linecap="round"'}${dash}`;
  if (!drawn) return `<path ${line}/>`;
  const offset = (share: number): string => formatNumber(1 - share, 6);
  const first = keys[0]?.share ?? 0;
  rules.push(
    `@keyframes ${name}{${percentages(keys, take.length)
      .map(([percent, key]) => `${formatNumber(percent, PERCENT_DIGITS)}%{stroke-dashoffset:${offset(key.share)}}`)
      .join('')}}`,
    animation(name, take),
  );
  return `<path class="${name} ${prefix}-m" ${line} stroke-dashoffset="${offset(first)}"/>`;
}

const animation = (name: string, { length, scene }: Take): string =>
  `.${name}{animation:${name} ${formatNumber(length, 6)}s linear ${scene.clock.repeat === 'once' ? '1 both' : 'infinite'}}`;

const degrees = (key: Key): string => formatNumber((key.angle * 180) / Math.PI, 3);

/** Decimals of a keyframe's percentage: a microsecond in ten seconds. */
const PERCENT_DIGITS = 5;
const PERCENT_STEP = 10 ** -PERCENT_DIGITS;

/** Keys with the percentages of the loop at which they stand. Of two keys at one time the second stands the smallest step later, as a jump. */
function percentages<K extends { readonly time: number }>(
  keys: readonly K[],
  length: number,
): [percent: number, key: K][] {
  let last = -1;
  return keys.map((key, i) => {
    const exact = Math.round((key.time / length) * 100 * 10 ** PERCENT_DIGITS) * PERCENT_STEP;
    last = i === 0 ? 0 : i === keys.length - 1 ? 100 : Math.min(Math.max(exact, last + PERCENT_STEP), 100);
    return [last, key];
  });
}

/** The rules of one @keyframes. */
function keyframes(keys: readonly Key[], length: number, turns: boolean): string {
  return percentages(keys, length)
    .map(([percent, key]) => {
      const move = `translate(${formatNumber(key.x, 3)}px,${formatNumber(key.y, 3)}px)`;
      return `${formatNumber(percent, PERCENT_DIGITS)}%{transform:${turns ? `${move}rotate(${degrees(key)}deg)` : move}}`;
    })
    .join('');
}
