import {
  addGuide,
  addGuides,
  heldOutline,
  MOST,
  outlinesFromPathData,
  pathData,
  pathOfGuide,
  type Guide,
  type Outline,
} from '@pace-line/core';
import { NOTHING, selectGuide, type KeptGuide } from '../../document/index.ts';
import { tell } from '../../look/notices.tsx';
import { guideFrom, guidesAlong } from '../../tools/index.ts';
import { sceneOf, type Desk } from '../desk.ts';
import { perform } from './change.ts';
import { freeGuideName } from './guides.ts';

/** Puts a guide as path data on the clipboard. */
export async function copyPathData(guide: Guide): Promise<void> {
  const d = pathData(guide.nodes, guide.closed);
  try {
    await navigator.clipboard.writeText(d);
    tell(`“${guide.name}” was copied as path data.`);
  } catch {
    tell(d, 'The clipboard is not available; here is the path data:');
  }
}

/** Guides that come in at once: no hand goes through more. */
const MOST_AT_ONCE = 5000;

/** Adds guides made of outlines, one each, where they are. */
export function addOutlines(desk: Desk, outlines: readonly Outline[], base: string, label: string): void {
  const all = outlines.filter((one) => one.nodes.length > 1);
  if (all.length === 0) return tell('Nothing was imported: no path with two points was found.');
  const drawn = all.slice(0, Math.min(MOST_AT_ONCE, MOST.guides - sceneOf(desk).guides.length));
  if (drawn.length < all.length)
    tell(
      `The first ${drawn.length} of ${all.length} paths were imported: at most ${MOST_AT_ONCE} at once, and a scene holds ${MOST.guides}.`,
    );
  const along = guidesAlong(sceneOf(desk));
  const guides = drawn.map((outline) => along(outline, base));
  if (perform(desk, label, addGuides, { guides })) desk.doc.select({ ...NOTHING, guides: guides.map(({ id }) => id) });
}

/** Path data pasted as text; gives false where it is none. */
export function pastePathData(desk: Desk, text: string): boolean {
  const d = text.trim();
  if (!/^[Mm]\s*[-+.\d]/.test(d) || d.length > 2_000_000) return false;
  const read = outlinesFromPathData(d);
  if (read.ok) addOutlines(desk, read.outlines.map(heldOutline), 'Pasted path', 'Paste path data');
  else tell(read.message, 'The pasted path data was not imported');
  return true;
}

/** Puts a kept guide into the scene with its middle at a point. */
export function placeKept(desk: Desk, { name, guide }: KeptGuide, [x, y]: readonly [number, number]): void {
  const box = pathOfGuide(guide).bounds;
  const dx = x - (box.left + box.right) / 2;
  const dy = y - (box.top + box.bottom) / 2;
  const scene = sceneOf(desk);
  const nodes = guide.nodes.map((node) => ({ ...node, x: node.x + dx, y: node.y + dy }));
  const made: Guide = {
    ...guideFrom(scene, nodes, guide.closed, name),
    name: freeGuideName(desk, name),
    corridor: guide.corridor,
    ...(guide.thickness === undefined ? {} : { thickness: guide.thickness }),
    ...(guide.shape ? { shape: { ...guide.shape, x: guide.shape.x + dx, y: guide.shape.y + dy } } : {}),
  };
  perform(desk, `Place ${name}`, addGuide, { guide: made }, selectGuide(made.id));
}
