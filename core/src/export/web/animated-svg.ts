import { z } from '../../zod.ts';
import { isLight, PLAYS } from './plays.ts';
import { CARRY } from '../carry.ts';
import { SCALE } from '../delivered.ts';
import { DRAWN } from '../features.ts';
import { imageElement } from '../embed.ts';
import type { Format } from '../format.ts';
import { writeFile } from '../sink.ts';
import { fileStem } from '../text.ts';
import { COLORS } from './colors.ts';
import { svgOf, USES } from './svg/svg.ts';

const options = z.object({
  title: z.string().max(200).default('').describe('Title for screen readers; empty: the scene’s name'),
  background: z.boolean().default(true).describe('Paint the canvas’s background'),
  ...COLORS,
  ...SCALE,
  ...PLAYS,
  ...USES,
  prefix: z
    .string()
    .max(40)
    .regex(/^(?:[A-Za-z_][\w]*)?$/, 'a letter, then letters, digits and _')
    .default('')
    .describe('Prefix of its ids and classes; empty: made of what it holds and its name'),
  ...CARRY,
});

/** SVG that moves by CSS inside itself: self-contained, plays as a file, in an <img> and inline. */
export const animatedSvg: Format<'take', typeof options> = {
  id: 'animated-svg',
  name: 'Animated SVG',
  group: 'web',
  about: 'One sharp file for pages: plays on its own, in an image element or inline, without scripts.',
  extension: 'svg',
  type: 'image/svg+xml',
  options,
  needs: 'take',
  ways: true,
  joint: isLight,
  holds: [...DRAWN, 'lead-in'],
  advice: [
    'Pasted into a page whose policy forbids inline styles it stands still: put it into an image element there.',
  ],
  embed: imageElement,
  write: (take, given, sink) =>
    writeFile(sink, `${fileStem(take.name)}.svg`, 'image/svg+xml', `${svgOf(take, given)}\n`),
};
