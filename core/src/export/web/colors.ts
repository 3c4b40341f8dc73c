import { color } from 'd3-color';
import { z } from '../../zod.ts';
import { pictureOf, posesOf, rootOf, type ArtElement, type Scene } from '../../scene/index.ts';

/** A colour of a drawing that a page may set: the custom property without its hyphens, the colour, and what it is on a dark page, where that is another; as `#rrggbb`. */
export interface NamedColor {
  readonly name: string;
  readonly value: string;
  readonly dark: string | null;
}

/** Colours that can be named at once. */
const MOST = 40;

const ATTRIBUTES = ['fill', 'stroke', 'stop-color', 'flood-color', 'lighting-color'] as const;
const PAINTED = new RegExp(` (${ATTRIBUTES.join('|')})="([^"]+)"`, 'g');

/** A colour that hides nothing, in one way of writing it; undefined for what is none. */
function plainColor(text: string): string | undefined {
  const read = color(text.trim());
  return read && read.opacity === 1 ? read.formatHex() : undefined;
}

/** Reads `ink=#1f3a5f/#cfe0f0, sail=#e0a33d`: the colours and their names, or what is wrong with them. */
export function readColors(text: string): { readonly colors: readonly NamedColor[] } | { readonly wrong: string } {
  const colors: NamedColor[] = [];
  for (const part of text.split(',').map((one) => one.trim())) {
    if (part === '') continue;
    const [, name = '', light = '', dark] = /^([^=]*)=([^/]*)(?:\/(.*))?$/.exec(part) ?? [];
    if (!/^[A-Za-z_][\w-]*$/.test(name.trim()))
      return { wrong: `“${part}” is not written NAME=COLOUR or NAME=COLOUR/DARK` };
    const [value, other] = [plainColor(light), dark === undefined ? null : plainColor(dark)];
    if (value === undefined || other === undefined) return { wrong: `“${part}”: a colour is written #1f3a5f` };
    if (colors.some((one) => one.name === name.trim())) return { wrong: `“${name.trim()}” is there twice` };
    if (colors.some((one) => one.value === value)) return { wrong: `${value} has two names` };
    colors.push({ name: name.trim(), value, dark: other });
  }
  return colors.length > MOST ? { wrong: `more than ${MOST} colours` } : { colors };
}

/** As `readColors` reads them. */
export const writeColors = (colors: readonly NamedColor[]): string =>
  colors.map(({ name, value, dark }) => `${name}=${value}${dark === null ? '' : `/${dark}`}`).join(', ');

/** The option of drawings for pages whose colours a page may set. */
export const COLORS = {
  colors: z
    .string()
    .max(2000)
    .superRefine((text, context) => {
      const read = readColors(text);
      if ('wrong' in read) context.addIssue({ code: 'custom', message: read.wrong });
    })
    .default('')
    .describe('Colours that a page may set, and what they are on dark pages: ink=#1f3a5f/#cfe0f0, sail=#e0a33d'),
};

/** The colours that an option names. */
export function namedColors(text: string | undefined): readonly NamedColor[] {
  const read = readColors(text ?? '');
  return 'colors' in read ? read.colors : [];
}

/** The property of a colour on dark pages, by the drawing's prefix; not one of its ids, which are other in each place. */
const darkProperty = (prefix: string, { name }: NamedColor): string => `--${prefix}_${name}`;

/** A colour as what a page says of it, where it is one of those that are named. */
export function pageColor(text: string, colors: readonly NamedColor[], prefix: string): string {
  const value = plainColor(text);
  const one = colors.find((each) => each.value === value);
  if (!one) return text;
  return `var(--${one.name},${one.dark === null ? one.value : `var(${darkProperty(prefix, one)},${one.value})`})`;
}

/** A drawing's markup with named colours as what a page says of them: its own, else what they are on a dark page, else what they are. */
export function withColors(markup: string, colors: readonly NamedColor[], prefix: string): string {
  if (colors.length === 0) return markup;
  return markup.replace(
    PAINTED,
    (_, attribute: string, text: string) => ` ${attribute}="${pageColor(text, colors, prefix)}"`,
  );
}

/** What colours are on dark pages: properties and their values. */
export const darkValues = (colors: readonly NamedColor[], prefix: string): (readonly [string, string])[] =>
  colors.flatMap((one) => (one.dark === null ? [] : [[darkProperty(prefix, one), one.dark] as const]));

/** The same as rules; empty where none is another. */
export function darkRules(colors: readonly NamedColor[], prefix: string): string {
  const others = darkValues(colors, prefix).map((pair) => pair.join(':'));
  return others.length > 0 ? `@media (prefers-color-scheme:dark){:root{${others.join(';')}}}` : '';
}

/** The colours of all that is sent of a scene, the most used first. */
export function colorsOf({ canvas, guides, riders, art }: Scene): string[] {
  const counts = new Map<string, number>();
  const add = (text: string | null | undefined): void => {
    const value = text ? plainColor(text) : undefined;
    if (value) counts.set(value, (counts.get(value) ?? 0) + 1);
  };
  const walk = ({ attributes, children }: ArtElement): void => {
    for (const name of ATTRIBUTES) add(attributes[name]);
    for (const child of children) if (typeof child !== 'string') walk(child);
  };
  const sent = new Set(riders.filter(({ output }) => output).map((rider) => rider.art));
  for (const one of art)
    if (sent.has(one.id))
      for (let pose = 1; pose <= posesOf(one); pose++) {
        const picture = pictureOf(one, pose);
        if (picture && picture.kind !== 'image') walk(rootOf(picture));
      }
  for (const { stroke } of guides) add(stroke?.color);
  add(canvas.background);
  return [...counts].sort(([, a], [, b]) => b - a).map(([value]) => value);
}
