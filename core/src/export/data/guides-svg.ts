import { z } from '../../zod.ts';
import { FEATURES } from '../features.ts';
import type { Format } from '../format.ts';
import { pathData } from '../path-data.ts';
import { writeFile } from '../sink.ts';
import { escapeMarkup, fileStem, formatNumber } from '../text.ts';

const options = z.object({
  width: z.number().min(0.1).max(100).default(2).describe('Width of the lines, px'),
});

/** The guides as paths, each with its name: for drawings, for motion paths of one’s own, for cutters and plotters. */
export const guidesSvg: Format<'scene', typeof options> = {
  id: 'guides-svg',
  name: 'Guides',
  group: 'data',
  about: 'The guides as plain paths with their names: for drawings and motion paths of one’s own.',
  extension: 'svg',
  type: 'image/svg+xml',
  options,
  needs: 'scene',
  // It is of the guides alone: nothing of the rest is missed.
  holds: FEATURES,
  write({ name, canvas, guides }, { width }, sink) {
    const [w, h] = [formatNumber(canvas.width, 3), formatNumber(canvas.height, 3)];
    const paths = guides
      .filter(({ nodes }) => nodes.length > 1)
      .map(
        (guide) =>
          `<path id="${escapeMarkup(guide.id)}" d="${pathData(guide.nodes, guide.closed)}" stroke="${guide.color}"><title>${escapeMarkup(guide.name)}</title></path>\n`,
      );
    const text =
      `<svg xmlns="http://www.w3.org/2000/svg" width="${w}" height="${h}" viewBox="0 0 ${w} ${h}">\n<title>${escapeMarkup(name)}</title>\n` +
      `<g fill="none" stroke-width="${formatNumber(width, 3)}" stroke-linecap="round" stroke-linejoin="round">\n${paths.join('')}</g>\n</svg>\n`;
    return writeFile(sink, `${fileStem(name)}-guides.svg`, 'image/svg+xml', text);
  },
};
