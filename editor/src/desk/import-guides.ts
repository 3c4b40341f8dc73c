import { fittedTo, pointsFromText, tracksFromGpx, type Outline, type Vec } from '@pace-line/core';
import { keepEase, keepGuides, looksLikeCollection, readCollection } from '../document/index.ts';
import { tell, warn, warnUntaken } from '../look/notices.tsx';
import { isSvgFile } from '../platform/files.ts';
import { readPartsOf, shown } from '../jobs/index.ts';
import { reasonOf } from '../words/reasons.ts';
import { useDeskView } from './view.ts';
import { addOutlines, addPoints, outlineThrough } from './actions/outlines.ts';
import { keepBefore } from './actions/saving.ts';
import { sceneOf, type Desk } from './desk.ts';

const MOST_BYTES = 20 * 1024 * 1024;

const stem = (name: string): string => {
  const words = name
    .replace(/\.[^.]+$/, '')
    .replace(/[-_]+/g, ' ')
    .trim();
  return words ? words.charAt(0).toUpperCase() + words.slice(1) : 'Guide';
};

export const isGuideFile = (file: File): boolean => /\.(?:csv|tsv|txt|gpx)$/i.test(file.name);

/** Takes guides from files: SVG is taken apart first, lists of points and GPX tracks become guides at once. Each refusal names file and reason. */
export async function importGuideFiles(files: readonly File[], desk: Desk): Promise<void> {
  for (const file of files) {
    if (file.size > MOST_BYTES) {
      warn(`${file.name} was not taken in`, 'It is larger than 20 MB. Nothing was changed.');
      continue;
    }
    const text = await file.text();
    if (isSvgFile(file)) await takeApart(file.name, text);
    else if (looksLikeCollection(text)) await addCollection(file.name, text);
    else if (/\.gpx$/i.test(file.name) || /<gpx[\s>]/.test(text.slice(0, 2000))) importGpx(file.name, text, desk);
    else importPoints(file.name, text, desk);
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
      `${ended.result} guides${read.eases.length > 0 ? ` and ${read.eases.length} eases` : ''} were added to the collection.`,
    );
  for (const one of read.eases) await keepEase(one.name, one.ease);
}

/** Opens the parts of a drawing, to be named guide, rider, scenery or left out. */
export async function takeApart(name: string, text: string): Promise<void> {
  const read = await readPartsOf(text);
  if (!read.ok) return warnUntaken(name, read.message);
  useDeskView.getState().set({ takenApart: { name: stem(name), parts: read.parts, notices: read.notices } });
}

/** Whether points look as if they were canvas px already, and so stay where they are. */
function placed(points: readonly Vec[], desk: Desk): readonly Vec[] {
  const { width, height } = sceneOf(desk).canvas;
  const isNear = points.every(([x, y]) => x > -width && x < 2 * width && y > -height && y < 2 * height);
  const extent = (axis: 0 | 1): number => {
    const [low, high] = points.reduce(
      ([least, most], point) => [Math.min(least, point[axis]), Math.max(most, point[axis])] as const,
      [Infinity, -Infinity] as const,
    );
    return high - low;
  };
  const reach = extent(0) + extent(1);
  return isNear && reach > 20 ? points : fittedTo(points, width, height);
}

/** Points that come back to their start are closed. */
const isRound = (points: readonly Vec[]): boolean => {
  const [first, last] = [points[0], points.at(-1)];
  return (
    points.length > 3 &&
    first !== undefined &&
    last !== undefined &&
    Math.hypot(first[0] - last[0], first[1] - last[1]) < 1e-6
  );
};

export function importPoints(name: string, text: string, desk: Desk): void {
  const read = pointsFromText(text);
  if (!read.ok) return warnUntaken(name, read.message);
  const points = placed(read.points, desk);
  keepBefore(desk);
  addPoints(desk, points, isRound(points), stem(name));
  if (read.skipped.length > 0)
    tell(`Passed over: ${read.skipped.slice(0, 4).join('; ')}${read.skipped.length > 4 ? ' …' : ''}`, name);
}

function importGpx(name: string, text: string, desk: Desk): void {
  const read = tracksFromGpx(text);
  if (!read.ok) return warnUntaken(name, read.message);
  const { width, height } = sceneOf(desk).canvas;
  const all = read.tracks.flatMap(({ points }) => points);
  const fitted = fittedTo(all, width, height);
  let at = 0;
  const outlines = read.tracks.map(({ points }): Outline => {
    const piece = fitted.slice(at, (at += points.length));
    return outlineThrough(piece, isRound(piece));
  });
  keepBefore(desk);
  addOutlines(desk, outlines, read.tracks[0]?.name ?? stem(name), `Bring in ${name}`);
  if (read.skipped.length > 0) tell(`Passed over: ${read.skipped.slice(0, 4).join('; ')}`, name);
}
