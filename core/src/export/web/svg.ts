import { placedArt, type Art } from '../../scene/index.ts';
import { isConstant, type Curve, type Drawn, type DrawnArt, type DrawnStroke, type Take } from '../../take/index.ts';
import { pathData } from '../path-data.ts';
import { escapeMarkup, formatNumber, shortHash } from '../text.ts';
import { keyframesOf } from './css.ts';

export interface SvgOptions {
  readonly title: string;
  readonly background: boolean;
}

/** What the pieces of one drawing share while it is written. */
interface Writing {
  /** Stands before every id, class and keyframes' name, so that several drawings can stand in one page. */
  readonly prefix: string;
  readonly take: Take;
  /** Arts that several riders show, numbered: written once and used. */
  readonly shared: ReadonlyMap<Art, number>;
  readonly rules: string[];
}

/** The drawing of a take as one <svg> element that moves by CSS. Its names carry a prefix made of its content. */
export function svgOf(take: Take, { title, background }: SvgOptions): string {
  const prefix = `pl${shortHash(JSON.stringify([withoutPixels(take), title, background]))}`;
  const writing: Writing = { prefix, take, shared: sharedArts(take.drawing), rules: [] };
  const drawing = take.drawing.map((drawn, i) =>
    drawn.kind === 'art' ? artMarkup(writing, drawn, i + 1) : strokeMarkup(writing, drawn, i + 1),
  );
  const { width, height, background: paper } = take.canvas;
  const [w, h] = [formatNumber(width, 3), formatNumber(height, 3)];
  const definitions = [...writing.shared].map(
    ([art, n]) => `<g id="${prefix}-a${n}">${placedArt(art, `${prefix}-a${n}-`, take.assets)}</g>`,
  );
  const paint = background && paper !== null ? `<rect width="${w}" height="${h}" fill="${paper}"/>` : '';
  return (
    `<svg xmlns="http://www.w3.org/2000/svg" width="${w}" height="${h}" viewBox="0 0 ${w} ${h}" role="img" aria-labelledby="${prefix}-t">` +
    `<title id="${prefix}-t">${escapeMarkup(title || take.name)}</title>${styleOf(writing)}` +
    `<defs><clipPath id="${prefix}-c"><rect width="${w}" height="${h}"/></clipPath>${definitions.join('')}</defs>` +
    `<g clip-path="url(#${prefix}-c)">${paint}${drawing.join('')}</g></svg>`
  );
}

/** A take with the names of its pixels, which are made of them, instead of them; without any where it has none. */
function withoutPixels({ assets, ...take }: Take): object {
  const names = Object.keys(assets);
  return names.length > 0 ? { ...take, assets: names } : take;
}

/** The style sheet: all that moves has the class `prefix-m`; it stands still for those who asked for less motion. */
function styleOf({ rules, prefix, take }: Writing): string {
  if (rules.length === 0) return '';
  const timing = `${formatNumber(take.length, 6)}s linear ${take.repeat === 'once' ? '1 both' : 'infinite'}`;
  return (
    `<style>.${prefix}-m{animation:${timing}}${rules.join('')}` +
    `@media (prefers-reduced-motion:reduce){.${prefix}-m{animation:none!important}}</style>`
  );
}

function sharedArts(drawing: readonly Drawn[]): Map<Art, number> {
  const uses = new Map<Art, number>();
  for (const drawn of drawing) if (drawn.kind === 'art') uses.set(drawn.art, (uses.get(drawn.art) ?? 0) + 1);
  return new Map([...uses].filter(([, count]) => count > 1).map(([art], i) => [art, i + 1]));
}

/** One factor of a rider's matrix: as an attribute while it stands still, as a keyframe's declaration while it moves. */
interface Factor {
  readonly key: string;
  readonly curve: Curve;
  /** The factor as a transform of the attribute; empty where it changes nothing. */
  readonly attribute: (value: number) => string;
  readonly declaration: (value: number) => string;
}

const degrees = (value: number): string => formatNumber((value * 180) / Math.PI, 4);
const px = (value: number): string => formatNumber(value, 4);
const factor = (value: number): string => formatNumber(value, 6);

/** The factors of the matrix from the outermost to the innermost: translate(x, y) · rotate · skew · scale. */
function factorsOf({ x, y, angle, skew, scaleX, scaleY }: DrawnArt['curves']): Factor[] {
  return [
    {
      key: 'x',
      curve: x,
      attribute: (v) => (v === 0 ? '' : `translate(${px(v)})`),
      declaration: (v) => `transform:translate(${px(v)}px)`,
    },
    {
      key: 'y',
      curve: y,
      attribute: (v) => (v === 0 ? '' : `translate(0 ${px(v)})`),
      declaration: (v) => `transform:translateY(${px(v)}px)`,
    },
    {
      key: 't',
      curve: angle,
      attribute: (v) => (v === 0 ? '' : `rotate(${degrees(v)})`),
      declaration: (v) => `transform:rotate(${degrees(v)}deg)`,
    },
    {
      key: 'k',
      curve: skew,
      attribute: (v) => (v === 0 ? '' : `skewX(${degrees(v)})`),
      declaration: (v) => `transform:skewX(${degrees(v)}deg)`,
    },
    {
      key: 'w',
      curve: scaleX,
      attribute: (v) => (v === 1 ? '' : `scale(${factor(v)} 1)`),
      declaration: (v) => `transform:scaleX(${factor(v)})`,
    },
    {
      key: 'h',
      curve: scaleY,
      attribute: (v) => (v === 1 ? '' : `scale(1 ${factor(v)})`),
      declaration: (v) => `transform:scaleY(${factor(v)})`,
    },
  ];
}

/** A rider: a group for each channel that moves, each with its own keyframes; what stands still is an attribute of the next group. */
function artMarkup(writing: Writing, drawn: DrawnArt, number: number): string {
  const { prefix, take } = writing;
  const name = `${prefix}-${number}`;
  const opacity = drawn.curves.opacity;
  const [pivotX, pivotY] = drawn.art.pivot;
  let open = '';
  let depth = 0;
  let still = '';
  const group = (attributes: string): void => {
    open += `<g${attributes}>`;
    depth++;
  };
  if (!isConstant(opacity)) group(animated(writing, `${name}o`, opacity, (v) => `opacity:${formatNumber(v, 4)}`));
  for (const { key, curve, attribute, declaration } of factorsOf(drawn.curves)) {
    const first = attribute(curve[0]?.value ?? 0);
    if (isConstant(curve)) still += first;
    else {
      if (still) group(` transform="${still}"`);
      still = '';
      group(animated(writing, `${name}${key}`, curve, declaration) + (first ? ` transform="${first}"` : ''));
    }
  }
  if (pivotX !== 0 || pivotY !== 0) still += `translate(${px(-pivotX)} ${px(-pivotY)})`;
  const fade =
    opacity[0] && isConstant(opacity) && opacity[0].value !== 1
      ? ` opacity="${formatNumber(opacity[0].value, 4)}"`
      : '';
  if (still || fade || depth === 0) group(`${still ? ` transform="${still}"` : ''}${fade}`);
  const shared = writing.shared.get(drawn.art);
  const picture =
    shared === undefined ? placedArt(drawn.art, `${name}-`, take.assets) : `<use href="#${prefix}-a${shared}"/>`;
  return open + picture + '</g>'.repeat(depth);
}

/** Adds the rules of something that moves; gives its class attribute. */
function animated(
  { rules, prefix, take }: Writing,
  name: string,
  curve: Curve,
  declaration: (value: number) => string,
): string {
  rules.push(`.${name}{animation-name:${name}}`, keyframesOf(name, curve, take.length, declaration));
  return ` class="${prefix}-m ${name}"`;
}

/** A guide drawn as a line; drawn by its rider, a dash as long as the way so far. */
function strokeMarkup(writing: Writing, { nodes, closed, stroke, share }: DrawnStroke, number: number): string {
  const dashed = stroke.dash ? ` stroke-dasharray="${stroke.dash.map((one) => formatNumber(one, 3)).join(' ')}"` : '';
  const line =
    `d="${pathData(nodes, closed)}" fill="none" stroke="${stroke.color}" stroke-width="${formatNumber(stroke.width, 3)}" ` +
    `stroke-linejoin="round"`;
  if (!share) return `<path ${line} stroke-linecap="round"${dashed}/>`;
  const offset = (value: number): string => formatNumber(1 - value, 6);
  const drawn = `${line} pathLength="1" stroke-dasharray="1 1" stroke-dashoffset="${offset(share[0]?.value ?? 0)}"`;
  if (isConstant(share)) return `<path ${drawn}/>`;
  return `<path${animated(writing, `${writing.prefix}-${number}d`, share, (v) => `stroke-dashoffset:${offset(v)}`)} ${drawn}/>`;
}
