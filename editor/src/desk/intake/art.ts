import { tell, warn, warnUntaken } from '../../look/notices.tsx';
import { nextTurn } from '../../platform/turn.ts';
import { readArtFile } from '../../jobs/index.ts';
import { askTaking } from './ask-heavy.tsx';
import { fitsItsBox } from './fits-box.ts';
import { newDrawing, takeInDrawing } from '../actions/riding.ts';
import { readyToDraw } from '../../figures/stage/art-gate.ts';
import { importAsPicture } from './raster.tsx';
import { keepBefore } from '../actions/saving.ts';
import type { Desk } from '../desk.ts';

const MOST_BYTES = 5 * 1024 * 1024;

/** Takes an SVG file into the scene's art; says by name what was wrong or left out. Gives the art's id. */
export async function importArt(file: File, desk: Desk): Promise<string | undefined> {
  if (file.size > MOST_BYTES) {
    warn(
      `${file.name} was not imported`,
      `It is larger than 5 MB (${(file.size / 1024 / 1024).toFixed(1)} MB). Nothing was changed.`,
    );
    return undefined;
  }
  return importArtText(file.name, await file.text(), desk);
}

/** As `importArt`, from text; `name` may be a file name. */
export async function importArtText(name: string, text: string, desk: Desk): Promise<string | undefined> {
  const read = await readArtFile(name, text);
  if (!read.ok) {
    warnUntaken(name, read.message);
    return undefined;
  }
  const taking = await askTaking(name, read.art.heavy);
  if (taking === 'none') return undefined;
  if (taking === 'picture') return importAsPicture(desk, name, read.art);
  const title =
    name
      .replace(/\.svg$/i, '')
      .replace(/[-_]+/g, ' ')
      .trim() || 'Drawing';
  keepBefore(desk);
  const drawing = newDrawing(desk, title.charAt(0).toUpperCase() + title.slice(1), await fitsItsBox(read.art));
  await readyToDraw(drawing);
  const id = takeInDrawing(desk, drawing);
  // What it is shown in, opened by whoever asked for it, is a turn of its own.
  await nextTurn();
  if (read.art.notices.length > 0) tell(read.art.notices.join(' '), `${name} was imported`);
  return id;
}
