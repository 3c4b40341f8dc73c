import { guideById, nodesThrough, setOutline, type TrailsResult, type Vec } from '@pace-line/core';
import { keepEase, keepGuides, looksLikeCollection, readCollection } from '../../document/index.ts';
import { offer, tell, warn, warnUntaken } from '../../look/notices.tsx';
import { isSvgFile, pickFiles } from '../../platform/files.ts';
import { readPartsOf, readTrailFile, shown } from '../../jobs/index.ts';
import { reasonOf } from '../../words/reasons.ts';
import { keepStroke, useDeskView } from '../view.ts';
import { addOutlines } from '../actions/outlines.ts';
import { perform } from '../actions/change.ts';
import { keepBefore } from '../actions/saving.ts';
import { sceneOf, selectionOf, type Desk } from '../desk.ts';

export { isPointList } from '@pace-line/core';

const MOST_BYTES = 20 * 1024 * 1024;

const stem = (name: string): string => {
  const words = name
    .replace(/\.[^.]+$/, '')
    .replace(/[-_]+/g, ' ')
    .trim();
  return words ? words.charAt(0).toUpperCase() + words.slice(1) : 'Guide';
};

/** Asks for files, and takes the guides that are in them. */
export const bringInGuides = async (desk: Desk): Promise<void> =>
  importGuideFiles(await pickFiles('.svg,.csv,.txt,.gpx,image/svg+xml,text/csv,text/plain'), desk);

/** Takes guides from files: SVG is taken apart first, lists of points and GPX tracks become guides at once. Each refusal names file and reason. */
export async function importGuideFiles(files: readonly File[], desk: Desk): Promise<void> {
  for (const file of files) {
    if (file.size > MOST_BYTES) {
      warn(`${file.name} was not imported`, 'It is larger than 20 MB. Nothing was changed.');
      continue;
    }
    const text = await file.text();
    if (isSvgFile(file)) await takeApart(file.name, text);
    else if (looksLikeCollection(text)) await addCollection(file.name, text);
    else if (/\.gpx$/i.test(file.name) || /<gpx[\s>]/.test(text.slice(0, 2000))) await importGpx(file.name, text, desk);
    else await importPoints(file.name, text, desk);
  }
}

/** Takes the guides of a collection file in; a long one can be watched and stopped. */
export async function addCollection(name: string, text: string): Promise<void> {
  const read = readCollection(text);
  if (!read.ok) return warnUntaken(name, read.message);
  let isCancelled = false;
  const ended = await shown(`Adding the guides of ${name}`, (onProgress) => ({
    end: keepGuides(read.guides, onProgress, () => isCancelled).then(
      (count) => ({ state: 'done', result: count }) as const,
      (error: unknown) => ({ state: 'failed', message: reasonOf(error) }) as const,
    ),
    cancel: () => (isCancelled = true),
  }));
  if (ended.state === 'failed')
    warn(`Not all guides of ${name} were added`, `This browser did not store them: ${ended.message}.`);
  else if (ended.state === 'done')
    tell(
      `${ended.result} guides${read.eases.length > 0 ? ` and ${read.eases.length} easings` : ''} were added to the collection.`,
    );
  for (const one of read.eases) await keepEase(one.name, one.ease);
}

/** Opens the parts of a drawing, to be named guide, rider, scenery or left out. */
export async function takeApart(name: string, text: string): Promise<void> {
  const read = await readPartsOf(name, text);
  if (!read.ok) return warnUntaken(name, read.message);
  useDeskView.getState().set({ takenApart: { name: stem(name), parts: read.parts, notices: read.notices } });
}

/** Says what was passed over, and what became of points that are more than can be nodes. */
function tellTaken({ outlines, skipped }: Extract<TrailsResult, { ok: true }>, name: string): void {
  const fitted = outlines.filter(({ tolerance }) => tolerance > 0);
  const points = fitted.reduce((sum, one) => sum + one.points, 0);
  const nodes = fitted.reduce((sum, one) => sum + one.nodes.length, 0);
  const tolerance = fitted.reduce((most, one) => Math.max(most, one.tolerance), 0);
  const figure = (value: number): string => value.toLocaleString('en');
  if (fitted.length > 0)
    tell(`${figure(points)} points became ${figure(nodes)} nodes, within ${tolerance} px of them.`, name);
  if (skipped.length > 0) tell(`Skipped: ${skipped.slice(0, 4).join('; ')}${skipped.length > 4 ? ' …' : ''}`, name);
}

/** Offers straight lines from point to point instead of a smooth way through them. */
function offerCorners(desk: Desk, guide: string, points: readonly Vec[], closed: boolean): void {
  if (points.length < 3) return;
  const straight = (): Promise<void> => {
    const now = guideById(sceneOf(desk), guide);
    const round = nodesThrough(points, 0, closed);
    const nodes = now?.nodes.map((node, i) => ({ ...node, in: round[i]?.in, out: round[i]?.out }));
    if (nodes?.length === points.length)
      perform(desk, 'Straight from point to point', setOutline, { guide, nodes, closed });
    return Promise.resolve();
  };
  offer(`${points.length} points became a smooth path`, 'Make it corners', straight, 20_000);
}

/** Takes a list of points in as a guide: smooth through every one, or, of very many, near them. */
export async function importPoints(name: string, text: string, desk: Desk): Promise<void> {
  const read = await readTrailFile({ kind: 'points', name, text, canvas: sceneOf(desk).canvas });
  if (!read.ok) return warnUntaken(name, read.message);
  keepBefore(desk);
  addOutlines(desk, read.outlines, stem(name), `Bring in ${stem(name)}`);
  const [guide] = selectionOf(desk).guides;
  const [outline] = read.outlines;
  // While every point is a node, how round the way through them is can be changed.
  if (guide !== undefined && outline?.tolerance === 0) {
    const points = outline.nodes.map(({ x, y }) => [x, y] as const);
    keepStroke({ kind: 'points', guide, points, closed: outline.closed });
    offerCorners(desk, guide, points, outline.closed);
  }
  tellTaken(read, name);
}

async function importGpx(name: string, text: string, desk: Desk): Promise<void> {
  const read = await readTrailFile({ kind: 'gpx', name, text, canvas: sceneOf(desk).canvas });
  if (!read.ok) return warnUntaken(name, read.message);
  keepBefore(desk);
  addOutlines(desk, read.outlines, read.outlines[0]?.name ?? stem(name), `Bring in ${name}`);
  tellTaken(read, name);
}
