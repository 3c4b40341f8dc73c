import type { WrittenFile } from '../../jobs/index.ts';

/** A page in which a module is mounted as its driver has it; what is scrolled past has a window of room before and after it. */
const modulePage = (text: string): string =>
  `<!doctype html><meta charset="utf-8"><style>html,body{margin:0}#here>svg{max-width:100%;max-height:100vh;height:auto;display:block;margin:auto}</style>
<div id="here"></div>
<script type="module">${text}
const here = document.getElementById('here');
const scrolls = SPEC.rules.some(([kind]) => kind === 'scroll');
if (scrolls) here.style.padding = '100vh 0';
mount(here);
addEventListener('message', ({ source, data }) => {
  if (source === parent && scrolls && typeof data.share === 'number') scrollTo(0, data.share * (innerHeight + here.firstElementChild.clientHeight));
});
</script>`;

/** A page with a drawing in it, as wide as the page. */
const drawingPage = (text: string): string =>
  `<!doctype html><meta charset="utf-8"><style>html,body{margin:0}body>svg{display:block;width:100%;height:auto}</style>${text}`;

/** A page in which a player of the open specification plays a file; it is held and let go as the pages are that move by themselves. */
async function playerPage(text: string): Promise<string> {
  const { default: player } = await import('lottie-web/build/player/lottie_light.min.js?raw');
  const inScript = (code: string): string => code.replace(/<(?=\/script|!--)/g, '\\x3c');
  return `<!doctype html><meta charset="utf-8"><style>html,body{margin:0;height:100%}#here{height:100%}</style><div id="here"></div>
<script>${inScript(player)}</script>
<script>
const player = lottie.loadAnimation({ container: document.getElementById('here'), renderer: 'svg', loop: true, autoplay: true, animationData: ${inScript(text)} });
player.setSubframe(true);
addEventListener('message', ({ source, data }) => {
  if (source !== parent) return;
  if (data.playing) player.play();
  else if (typeof data.time === 'number') player.goToAndStop(data.time * 1000, false);
  else player.pause();
});
</script>`;
}

/** The page in which an output is shown playing: itself where it is one, one with it where it is a moving drawing, a module or a file for a player; undefined for all else. */
export async function previewOf(files: readonly WrittenFile[], format: string): Promise<string | undefined> {
  const [first] = files;
  if (first?.type === 'text/html') return first.blob.text();
  if (first && format === 'animated-svg') return drawingPage(await first.blob.text());
  if (first && format === 'lottie') return playerPage(await first.blob.text());
  if (format !== 'module' && format !== 'react') return undefined;
  const module = format === 'module' ? first : files.find(({ name }) => name.endsWith('.module.js'));
  return module && modulePage(await module.blob.text());
}

/** The same page as if less motion were asked for: a frame has no setting of its own. */
export const calmPage = (page: string): string =>
  page
    .replace(/\(prefers-reduced-motion:\s*reduce\)/g, 'all')
    .replace(/\(prefers-reduced-motion:\s*no-preference\)/g, 'not all');
