import { z } from '../../zod.ts';
import type { Take } from '../../take/index.ts';
import { CARRY } from '../carry.ts';
import { SCALE } from '../delivered.ts';
import { DRAWN } from '../features.ts';
import { mountedModule } from '../embed.ts';
import type { Format } from '../format.ts';
import { writeFile } from '../sink.ts';
import { NAMED } from '../named.ts';
import { formatNumber, stemOf } from '../text.ts';
import { MODULE_SCRIPT } from './page-scripts.ts';
import { marksText, ridersText, specText, tracksText } from './module-script.ts';
import { FRAME_RULES, ownRules } from './style.ts';
import { COLORS, darkValues } from './colors.ts';
import { isLight, PLAYS } from './plays.ts';
import { drawnSvg, USES, type DrawnSvg } from './svg/svg.ts';

export const moduleOptions = z.object({
  title: z.string().max(200).default('').describe('Title for screen readers; empty: the scene’s name'),
  background: z.boolean().default(false).describe('Paint the canvas’s background'),
  ...COLORS,
  ...SCALE,
  ...PLAYS,
  ...USES,
  ...NAMED,
  ...CARRY,
});
type Options = z.infer<typeof moduleOptions>;

/** Text as a literal of JavaScript that cannot end a script element either. */
const literal = (text: string): string => JSON.stringify(text).replace(/</g, '\\x3c');

/** The ends of what is drawn, canvas px: where the first rider that moves begins and where its way leads; the canvas's middle line where nothing moves. */
function endsOf({ drawing, canvas, duration }: Take): string {
  const moving = drawing.find((one) => one.kind === 'art' && (one.curves.x.length > 1 || one.curves.y.length > 1));
  const point = (time: number): string => {
    if (moving?.kind !== 'art')
      return `[${time > 0 ? formatNumber(canvas.width, 3) : 0}, ${formatNumber(canvas.height / 2, 3)}]`;
    const at = (key: 'x' | 'y'): string => {
      const curve = moving.curves[key];
      const last = [...curve].reverse().find((one) => one.time <= time) ?? curve[0];
      return formatNumber(last?.value ?? 0, 3);
    };
    return `[${at('x')}, ${at('y')}]`;
  };
  return `[${point(0)}, ${point(duration)}]`;
}

/** The drawing with its standing rules on its elements: what mounts it puts them on one by one, as policies that forbid styles in markup allow that (page/markup.ts). */
function standingMarkup({ markup, hasText, clips }: DrawnSvg): string {
  const framed = markup('').replace(
    /(?<!^)<svg([^>]*)/g,
    (tag, more: string) => `${tag} style="${FRAME_RULES}${more.includes(' overflow=') ? '' : ';overflow:hidden'}"`,
  );
  const whole = framed.replace(/^<svg xmlns="[^"]*" class="[^"]*"/, `<svg style="${ownRules(hasText)}"`);
  return [...clips].reduce(
    (text, [id, by]) => text.replaceAll(` class="${id}"`, ` class="${id}" style="${by}:url(#${id})"`),
    whole,
  );
}

/** The module's text without its types. */
export function moduleText(take: Take, given: Options): string {
  const drawn = drawnSvg(take, given);
  const { prefix, tracks } = drawn;
  const svg = standingMarkup(drawn);
  return (
    `const SPEC = ${specText(take)};\n` +
    `const ENDS = ${endsOf(take)};\n` +
    `const PREFIX = ${JSON.stringify(prefix)};\n` +
    `const MARKUP = ${literal(svg)};\n` +
    `const TRACKS = ${tracksText(tracks, take)};\n` +
    `const RIDERS = ${ridersText(take, prefix)};\n` +
    `const DARK = ${JSON.stringify(darkValues(drawn.colors, prefix))};\n` +
    `const MARKS = ${marksText(take)};\n\n${MODULE_SCRIPT}\n`
  );
}

const MODULE_TYPES = `/** Where a rider is: canvas px, degrees clockwise, factors, share. */
export interface Sample {
  x: number;
  y: number;
  angle: number;
  skew: number;
  scaleX: number;
  scaleY: number;
  opacity: number;
}

/** What a page does that drives it. */
export type DriverName = 'time' | 'over' | 'click' | 'enter' | 'scroll';

/** Where it is and how it runs, to go on from. */
export interface MountState {
  readonly rules: unknown;
  readonly state: unknown;
}

/** What holds an element, as components have it. */
export interface Held {
  readonly current: Element | null;
}

/** How the way is laid between two elements, and what becomes of the art on it. */
export interface Fit {
  from: Element | Held;
  to: Element | Held;
  /** The points of the canvas, px, that lie on their middles; absent: where the first moving rider begins, and where its way leads. */
  ends?: readonly [readonly [number, number], readonly [number, number]];
  /** true: all art stays as it is turned on the canvas; false: all turns with the way. Absent: what is level stays so, what turns along its guide turns with the way. */
  upright?: boolean;
  /** 'own' (absent): art is as large as on the canvas; 'scaled': as the way is scaled; 'elements': it grows from the one element's box to the other's. */
  size?: 'own' | 'scaled' | 'elements';
}

export interface MountOptions {
  /** What drives it; 'none': only what is told moves it. Absent: as it was made. */
  driver?: DriverName | readonly DriverName[] | 'none';
  /** What a driver's second event does: 'back', 'stop', 'finish', 'restart', 'again'; for several drivers a list. */
  then?: string | readonly string[];
  /** Whether what enters does so before the loop, where time or coming into the window drives it. Absent: it does. */
  leadIn?: boolean;
  /** How fast it runs; absent: 1. */
  rate?: number;
  /** What another mount gave: it goes on from there. */
  state?: MountState;
  /** The element that drives it, where that is another than the drawing. */
  on?: Element | Held;
  /** Lays the way between the middles of two elements of the page. */
  fit?: Fit;
  className?: string;
  /** true (absent, where it is not laid between elements): it starts when it first comes into the window, and stands still while it is out of it. */
  lazy?: boolean;
  /** An element of the page that was built by \`picture\` already, as on a server: it is set in motion where it is, and stays when this is destroyed. */
  svg?: SVGSVGElement;
}

/** A mark that a rider has reached: what code calls the rider, the mark's number from 1, and its time in the loop, s. */
export interface MarkReached {
  readonly rider: RiderCode;
  readonly mark: number;
  readonly time: number;
}

export interface Mounted {
  readonly element: SVGSVGElement;
  /** s of the loop. */
  readonly length: number;
  /** The time in the loop, s, that is shown; below 0 in the lead-in. */
  readonly time: number;
  /** How fast it runs; 1: as it was made. */
  rate: number;
  /** Told in the frame in which it happens: it starts to run; a loop is over and the next one begins; it has come to its end, or back to its start. What comes back is called to listen no more. */
  on(event: 'start' | 'loop' | 'end', listener: () => void): () => void;
  /** Told in the frame in which a rider reaches a mark as it runs, forward or back. */
  on(event: 'mark', listener: (mark: MarkReached) => void): () => void;
  play(): void;
  reverse(): void;
  pause(): void;
  /** Shows a time, s (below 0 one of the lead-in, where there is one), or the time at which a rider first reaches a mark: \`'ferry-a 2'\`; an error where there is none of that name. */
  seek(to: number | MarkName): void;
  /** Shows a share of the loop, 0 to 1. */
  setProgress(share: number): void;
  /** Sets how fast it runs; 1: as it was made. */
  setRate(rate: number): void;
  state(): MountState;
  /** Lays it anew where the elements that it lies between have moved by themselves. */
  refit(): void;
  destroy(): void;
}

/** Puts the drawing into an element and sets it in motion. */
export function mount(element: Element, options?: MountOptions): Mounted;

/**
 * Builds the drawing as it stands at first, from its innermost elements outward, by a function that makes one: on a server, or for a library of components. Texts among children are
 * plain. \`tail\` goes into every id: another one for each drawing of a page.
 */
export function picture<T>(
  make: (name: string, attributes: Record<string, string>, children: (T | string)[]) => T,
  tail?: string,
): T;

/** Where every rider is at a share of the loop, by what code calls it; needs no page. */
export function sample(progress: number): Record<RiderCode, Sample>;
/** Where one rider is, by what code calls it or by its name, at a share of the loop (absent: its start); an error for any other. */
export function sample(rider: RiderCode | RiderName, progress?: number): Sample;
`;

/** Marks whose names are told one by one: of more only how they are made. */
const MOST_NAMES = 2000;

/** The types of a take's module: those of its own riders, and what is the same of all. */
export function moduleTypes({ drawing, marks }: Take): string {
  const riders = drawing.filter((one) => one.kind === 'art');
  const union = (words: readonly string[]): string =>
    [...new Set(words)].map((word) => JSON.stringify(word)).join(' | ') || 'never';
  const names = marks.flatMap(({ code, times }) =>
    times.flatMap((some, i) => (some[0] === undefined ? [] : `${code} ${i + 1}`)),
  );
  const markNames = names.length > MOST_NAMES ? '`${RiderCode} ${number}`' : union(names);
  return (
    `/** What code calls the riders. */\nexport type RiderCode = ${union(riders.map(({ code }) => code))};\n` +
    `/** Their names. */\nexport type RiderName = ${union(riders.map(({ name }) => name))};\n` +
    `/** Their marks: what code calls a rider, and the number of the mark from 1. */\nexport type MarkName = ${markNames};\n\n${MODULE_TYPES}`
  );
}

/** An ES module with its types: for those who put it into a page of their own, or move things of their own by it. */
export const moduleFormat: Format<'take', typeof moduleOptions> = {
  id: 'module',
  name: 'Module',
  group: 'web',
  about:
    'An ES module for a page of one’s own: play, seek, drive it, lay it between two elements, or only ask where things are.',
  extension: 'js',
  type: 'text/javascript',
  several: true,
  options: moduleOptions,
  needs: 'take',
  joint: isLight,
  holds: [...DRAWN, 'driver', 'lead-in'],
  embed: mountedModule,
  async write(take, given, sink) {
    const stem = stemOf(given.file, take.name);
    await writeFile(sink, `${stem}.js`, 'text/javascript', moduleText(take, given));
    await writeFile(sink, `${stem}.d.ts`, 'text/plain', moduleTypes(take));
  },
};
