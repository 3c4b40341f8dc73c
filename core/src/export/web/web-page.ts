import { z } from '../../zod.ts';
import { isLight, PLAYS } from './plays.ts';
import type { Take } from '../../take/index.ts';
import { CARRY } from '../carry.ts';
import { SCALE } from '../delivered.ts';
import { DRAWN } from '../features.ts';
import { frameElement } from '../embed.ts';
import type { Format } from '../format.ts';
import { writeFile } from '../sink.ts';
import { escapeMarkup, fileStem, formatNumber, shortHash } from '../text.ts';
import { DRIVE_SCRIPT } from './page-scripts.ts';
import { scrollRules } from './scroll.ts';
import { styleOf } from './style.ts';
import { COLORS, pageColor } from './colors.ts';
import { drawnSvg, USES, type DrawnSvg } from './svg/svg.ts';

const options = z.object({
  title: z.string().max(200).default('').describe('Title of the page; empty: the scene’s name'),
  background: z.boolean().default(true).describe('Paint the canvas’s background'),
  fit: z.enum(['window', 'size']).default('window').describe('Fill the window, or keep the canvas’s size'),
  pause: z.boolean().default(true).describe('Pause control'),
  ...COLORS,
  ...SCALE,
  ...PLAYS,
  ...USES,
  ...CARRY,
});
type Options = z.infer<typeof options>;

/** A page of its own that holds the animated SVG; nothing but a driver other than time needs a script, and nothing makes a request. */
export const webPage: Format<'take', typeof options> = {
  id: 'web-page',
  name: 'Web page',
  group: 'web',
  about: 'A page of its own with the loop in it: open it in any browser or put it on a screen.',
  extension: 'html',
  type: 'text/html',
  options,
  needs: 'take',
  ways: true,
  joint: isLight,
  holds: [...DRAWN, 'driver', 'lead-in'],
  embed: frameElement,
  write: (take, given, sink) =>
    writeFile(
      sink,
      `${fileStem(take.name)}.html`,
      'text/html',
      take.drive.rules.every(([kind]) => kind === 'time') ? runningPage(take, given) : drivenPage(take, given),
    ),
};

interface Page {
  readonly style: string;
  readonly body: string;
  /** Sources of scripts that the page's policy allows; empty: none. */
  readonly scripts: string;
  readonly drawn: DrawnSvg;
}

function pageOf(take: Take, given: Options, { style, body, scripts, drawn: { colors, prefix } }: Page): string {
  const { canvas, name, assets } = take;
  const paper =
    given.background && canvas.background !== null ? `background:${pageColor(canvas.background, colors, prefix)};` : '';
  const policy = `default-src 'none'; style-src 'unsafe-inline'${scripts && `; script-src ${scripts}`}${Object.keys(assets).length > 0 ? '; img-src data:' : ''}`;
  return (
    `<!doctype html>\n<html lang="en">\n<head>\n<meta charset="utf-8">\n` +
    `<meta name="viewport" content="width=device-width, initial-scale=1">\n` +
    `<meta http-equiv="Content-Security-Policy" content="${policy}">\n` +
    `<title>${escapeMarkup(given.title || name)}</title>\n` +
    `<style>html,body{margin:0;height:100%}body{${paper}display:grid;place-items:center}body>svg{display:block;${sizeOf(take, given)}}${style}</style>\n` +
    `</head>\n<body>\n${body}\n</body>\n</html>\n`
  );
}

function sizeOf({ canvas }: Take, { fit }: Options): string {
  const ratio = formatNumber(canvas.width / canvas.height, 6);
  return fit === 'window' ? `width:min(100vw,100vh*${ratio});height:auto` : 'max-width:100%;height:auto';
}

/** A box that can be ticked, before the drawing, that pauses it: without a script. */
const PAUSE = `<input type="checkbox" id="pause" aria-label="Pause" title="Pause">`;
const PAUSE_STYLE =
  '#pause{position:fixed;right:12px;bottom:12px;z-index:1;width:22px;height:22px;margin:0;opacity:.35}#pause:hover,#pause:focus-visible,#pause:checked{opacity:1}' +
  '@media (prefers-reduced-motion:reduce){#pause{display:none}}';

function runningPage(take: Take, given: Options): string {
  const drawn = drawnSvg(take, given);
  const { prefix, tracks, markup } = drawn;
  const pauses = given.pause && tracks.length > 0;
  const style = pauses ? `${PAUSE_STYLE}#pause:checked~svg .${prefix}-m{animation-play-state:paused!important}` : '';
  const svg = markup(styleOf(take, drawn));
  return pageOf(take, given, { style, body: pauses ? `${PAUSE}\n${svg}` : svg, scripts: '', drawn });
}

/**
 * What a driven page's script does: it holds all animations, and shows the times that its driver gives. What is scrolled past has a window of room before and after it where the page is alone; in a frame the page
 * around it tells how far it has passed (embed.ts), and until then its middle is shown.
 */
const START = `const box = document.querySelector('body > svg');
const all = box.getAnimations({ subtree: true });
all.forEach((one) => one.pause());
const driven = drive(box, clockOf(all.map((one) => [one, 0])), SPEC, { told, drawn: box });
if (told) addEventListener('message', ({ source, data }) => source === parent && typeof data?.share === 'number' && driven.pass(data.share));`;

/** Whether a page in a frame is told how far it has passed through a window that is not its own. */
const TOLD = `const told = parent !== window;
if (told) document.documentElement.classList.add('told');`;

/** Whether the browser does not scroll it by itself: it cannot, less motion is asked for, or another page tells it. */
const BY_SCRIPT = `told || !CSS.supports('animation-timeline: view()') || matchMedia('(prefers-reduced-motion: reduce)').matches`;

function drivenPage(take: Take, given: Options): string {
  const drawn = drawnSvg(take, given);
  const { prefix, markup } = drawn;
  const { drive } = take;
  const driven = (kind: string): boolean => drive.rules.some(([one]) => one === kind);
  const scrolls = driven('scroll') ? scrollRules(take, prefix) : undefined;
  const nonce = `n${shortHash(prefix)}`;
  const start = START.replace('SPEC', JSON.stringify(drive));
  const script = `${DRIVE_SCRIPT}\n${start}`;
  const told = driven('scroll') ? TOLD : 'const told = false;';
  const guarded = `{\n${told}\n${scrolls ? `if (${BY_SCRIPT}) {\n${script}\n}` : script}\n}`;
  // Nothing moves before the script runs.
  const held = `.${prefix}-m{animation-play-state:paused}${scrolls?.rules ?? ''}`;
  const passage = driven('scroll')
    ? ':root:not(.told),:root:not(.told) body{height:auto}:root:not(.told) body{padding:100vh 0}'
    : '';
  const hand = driven('click') ? 'body>svg{cursor:pointer}' : '';
  return pageOf(take, given, {
    style: `${passage}${hand}${scrolls?.root ?? ''}`,
    body: `${markup(styleOf(take, drawn, held))}\n<script nonce="${nonce}">${guarded}</script>`,
    scripts: `'nonce-${nonce}'`,
    drawn,
  });
}
