import { redrawArt, type Art } from '@pace-line/core';
import { bareFamily } from '@pace-line/core/lettering';
import { outlinesOfTexts } from '../../jobs/index.ts';
import { tell, warn } from '../../look/notices.tsx';
import { pickFiles } from '../../platform/files.ts';
import { change } from '../actions/change.ts';
import type { Desk } from '../desk.ts';
import { fontFile, SHIPPED_FONTS } from './shipped-fonts.ts';

const FONT_FILES = '.ttf,.otf,.woff,font/ttf,font/otf,font/woff';

/** The files of a family that ships with the application; none of one that does not. */
const shippedFiles = (family: string): readonly string[] =>
  Object.values(SHIPPED_FONTS).flatMap((font) => (font.family === bareFamily(family) ? [font.url] : []));

/** Asks for the files of the fonts that an art's texts are written in, where they do not ship, and makes outlines of the texts; says what had to stay text. */
export async function outlineText(desk: Desk, art: Art, families: readonly string[]): Promise<void> {
  const shipped = families.flatMap(shippedFiles);
  const isAllThere = families.every((family) => shippedFiles(family).length > 0);
  const picked = isAllThere ? [] : await pickFiles(FONT_FILES);
  if (!isAllThere && picked.length === 0) return;
  const fonts = await Promise.all([
    ...picked.map(async (file) => ({ name: file.name, bytes: await file.arrayBuffer() })),
    ...shipped.map(async (url) => ({ name: url, bytes: await fontFile(url) })),
  ]).catch(() => undefined);
  if (!fonts) {
    warn(`The text of ${art.name} stays text`, 'A font’s file could not be read. Nothing was changed.');
    return;
  }
  const end = await outlinesOfTexts(art, fonts);
  if (end.state !== 'done') {
    if (end.state === 'failed') warn(`The text of ${art.name} stays text`, `${end.message}. Nothing was changed.`);
    return;
  }
  const { made, count, left } = end.result;
  if (count > 0) change(desk, `Convert text of ${art.name} to outlines`, (scene) => redrawArt(scene, { art: made }));
  if (left.length > 0) warn(`${art.name}: some of its text stays text`, left.join(' '));
  else
    tell(
      `${count === 1 ? 'A text was' : `${count} texts were`} converted to outlines: no font is needed to show ${count === 1 ? 'it' : 'them'}.`,
      art.name,
    );
}
