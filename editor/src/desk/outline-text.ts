import bold from '@fontsource/figtree/files/figtree-latin-700-normal.woff?url';
import plain from '@fontsource/figtree/files/figtree-latin-400-normal.woff?url';
import mono from '@fontsource/commit-mono/files/commit-mono-latin-400-normal.woff?url';
import { redrawArt, type Art } from '@pace-line/core';
import { bareFamily } from '@pace-line/core/lettering';
import { outlinesOfTexts } from '../jobs/index.ts';
import { tell, warn } from '../look/notices.tsx';
import { pickFiles } from '../platform/files.ts';
import { change } from './actions/change.ts';
import type { Desk } from './desk.ts';

const FONT_FILES = '.ttf,.otf,.woff,font/ttf,font/otf,font/woff';

/** Families of the fonts that ship with the application, and their files. */
const SHIPPED: Readonly<Record<string, readonly string[]>> = { figtree: [plain, bold], commitmono: [mono] };

/** Asks for the files of the fonts that an art's texts are written in, where they do not ship, and makes outlines of the texts; says what had to stay text. */
export async function outlineText(desk: Desk, art: Art, families: readonly string[]): Promise<void> {
  const shipped = families.flatMap((family) => SHIPPED[bareFamily(family)] ?? []);
  const isAllThere = families.every((family) => SHIPPED[bareFamily(family)] !== undefined);
  const picked = isAllThere ? [] : await pickFiles(FONT_FILES);
  if (!isAllThere && picked.length === 0) return;
  const fonts = await Promise.all([
    ...picked.map(async (file) => ({ name: file.name, bytes: await file.arrayBuffer() })),
    ...shipped.map(async (url) => ({ name: url, bytes: await (await fetch(url)).arrayBuffer() })),
  ]);
  const end = await outlinesOfTexts(art, fonts);
  if (end.state !== 'done') {
    if (end.state === 'failed') warn(`The text of ${art.name} stays text`, `${end.message}. Nothing was changed.`);
    return;
  }
  const { made, count, left } = end.result;
  if (count > 0) change(desk, `Outline the text of ${art.name}`, (scene) => redrawArt(scene, { art: made }));
  if (left.length > 0) warn(`${art.name}: not all of its text`, left.join(' '));
  else
    tell(
      `${count === 1 ? 'A text is' : `${count} texts are`} outlines now: no font is needed wherever it is shown.`,
      art.name,
    );
}
