import { z } from 'zod';
import type { Format } from '../format.ts';
import { writeFile } from '../sink.ts';
import { escapeMarkup, fileStem, formatNumber } from '../text.ts';
import { svgOf } from './svg.ts';

const options = z.object({
  title: z.string().max(200).default('').describe('Title of the page; empty: the scene’s name'),
  background: z.boolean().default(true).describe('Paint the canvas’s background'),
  fit: z.enum(['window', 'size']).default('window').describe('Fill the window, or keep the canvas’s size'),
});

/** A page of its own that holds the animated SVG and nothing else: no script, no request. */
export const webPage: Format<'take', typeof options> = {
  id: 'web-page',
  name: 'Web page',
  about: 'A page of its own with the loop in it: open it in any browser or put it on a screen.',
  extension: 'html',
  type: 'text/html',
  options,
  needs: 'take',
  holds: ['art', 'background', 'strokes', 'drawn-strokes', 'poses', 'stack', 'clips', 'camera'],
  write(take, given, sink) {
    const { canvas, name } = take;
    const ratio = formatNumber(canvas.width / canvas.height, 6);
    const size = given.fit === 'window' ? `width:min(100vw,100vh*${ratio});height:auto` : 'max-width:100%;height:auto';
    const paper = given.background && canvas.background !== null ? `background:${canvas.background};` : '';
    const text =
      `<!doctype html>\n<html lang="en">\n<head>\n<meta charset="utf-8">\n` +
      `<meta name="viewport" content="width=device-width, initial-scale=1">\n` +
      `<meta http-equiv="Content-Security-Policy" content="default-src 'none'; style-src 'unsafe-inline'${Object.keys(take.assets).length > 0 ? '; img-src data:' : ''}">\n` +
      `<title>${escapeMarkup(given.title || name)}</title>\n` +
      `<style>html,body{margin:0;height:100%}body{${paper}display:grid;place-items:center}body>svg{display:block;${size}}</style>\n` +
      `</head>\n<body>\n${svgOf(take, given)}\n</body>\n</html>\n`;
    return writeFile(sink, `${fileStem(name)}.html`, 'text/html', text);
  },
};
