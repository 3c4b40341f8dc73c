import type { ArtResult, PartsResult } from '@pace-line/core/art-import';
import type { Outlined } from '@pace-line/core/lettering';
import {
  type Art,
  type Format,
  MOST_TEXT,
  paintingOf,
  withoutTracing,
  type Scene,
  type SceneReading,
  type Offers,
  type Told,
  type TrailsAsked,
  type TrailsResult,
} from '@pace-line/core';
import type { ArtHandlers } from './art.worker.ts';
import { WorkerPool, type Job, type JobEnd, type JobWatch } from './pool.ts';
import { paintedPictures } from './pixels/pictures.ts';
import { reasonOf } from '../words/reasons.ts';
import type { FileChunk, SendHandlers, SendInput, SendResult } from './send.worker.ts';

export type { Job, JobEnd } from './pool.ts';
export { JobNotes } from './JobNotes.tsx';
import { shown } from './store.ts';
export { shown, unseen } from './store.ts';

const sending = new WorkerPool<SendHandlers>(
  () => new Worker(new URL('./send.worker.ts', import.meta.url), { type: 'module' }),
);
/** Of its own, so that neither waits for the other. */
const checking = new WorkerPool<SendHandlers>(
  () => new Worker(new URL('./send.worker.ts', import.meta.url), { type: 'module' }),
  1,
);
/** What would put a finding right takes longer: what is found of later edits does not wait for it. */
const mending = new WorkerPool<SendHandlers>(
  () => new Worker(new URL('./send.worker.ts', import.meta.url), { type: 'module' }),
  1,
);
/** What is followed while a hand works waits for neither. */
const following = new WorkerPool<SendHandlers>(
  () => new Worker(new URL('./send.worker.ts', import.meta.url), { type: 'module' }),
  1,
);
const reading = new WorkerPool<ArtHandlers>(
  () => new Worker(new URL('./art.worker.ts', import.meta.url), { type: 'module' }),
);

/** A file that was written. */
export interface WrittenFile {
  readonly name: string;
  readonly type: string;
  readonly blob: Blob;
}

/** A written output with how far it is from the editor's motion. */
export interface Output extends SendResult {
  readonly files: readonly WrittenFile[];
  /** Bytes of all files. */
  readonly size: number;
}

/** What of a format is asked here: whoever writes has all of it, and the Shelf needs none. */
type Written = Pick<Format, 'id' | 'needs'>;

/** Bakes and writes a scene in a format, off the main thread; if wished it is measured how far that is from the motion. */
export function writeOutput(
  scene: Scene,
  { id: format, needs }: Written,
  options: Readonly<Record<string, unknown>>,
  { onProgress, isMeasured = true }: { onProgress?: (share: number) => void; isMeasured?: boolean } = {},
): Job<Output> {
  const parts = new Map<string, { type: string; chunks: BlobPart[] }>();
  const onChunk = ({ name, type, chunk }: FileChunk): void => {
    const file = parts.get(name) ?? { type, chunks: [] };
    file.chunks.push(chunk);
    parts.set(name, file);
  };
  const job = sent({ scene: needs === 'scene' ? scene : withoutTracing(scene), format, options, isMeasured }, needs, {
    onChunk,
    ...(onProgress ? { onProgress } : {}),
  });
  const end = job.end.then((ended): JobEnd<Output> => {
    if (ended.state !== 'done') return ended;
    const files = [...parts].map(([name, { type, chunks }]) => ({ name, type, blob: new Blob(chunks, { type }) }));
    return {
      state: 'done',
      result: { ...ended.result, files, size: files.reduce((sum, { blob }) => sum + blob.size, 0) },
    };
  });
  return { end, cancel: job.cancel };
}

/** Sends in a worker; for formats of pixels the art is painted first, which only a page can. */
function sent(input: SendInput, needs: Written['needs'], watch: JobWatch<FileChunk>): Job<SendResult> {
  if (needs !== 'pixels') return sending.run('send', input, watch);
  let inner: Job<SendResult> | undefined;
  let isCancelled = false;
  const { scale } = input.options as { scale?: number };
  const end = paintedPictures(input.scene, scale ?? 1).then(
    (pictures): Promise<JobEnd<SendResult>> | JobEnd<SendResult> => {
      if (isCancelled) return { state: 'cancelled' };
      inner = sending.run('send', { ...input, pictures }, watch);
      return inner.end;
    },
    (error: unknown): JobEnd<SendResult> => ({ state: 'failed', message: reasonOf(error) }),
  );
  return {
    end,
    cancel: () => {
      isCancelled = true;
      inner?.cancel();
    },
  };
}

/** ms. Checks that take longer are given up. */
const CHECKING_LIMIT = 30_000;

/** ms. Looking for offers that takes longer is given up. */
const OFFERING_LIMIT = 120_000;

/** Looks for what would put a finding right, off the main thread. */
export const offers = (scene: Scene, finding: Told): Job<Offers> =>
  mending.run('offers', { scene: withoutPixels(scene), finding }, { limit: OFFERING_LIMIT });

/** What a check finds of the same riders in a scene that is being made: null where it holds. */
export const findingAgain = (scene: Scene, finding: Told): Job<Told | null> =>
  following.run('again', { scene: withoutPixels(scene), finding }, { limit: CHECKING_LIMIT });

/** Checks a scene off the main thread. */
export const findings = (scene: Scene): Job<readonly Told[]> =>
  checking.run('checks', withoutPixels(scene), { limit: CHECKING_LIMIT });

/** What a picture of a scene may cost to paint, in plain elements, and how long its text may be. */
const MOST_PAINTED = 30_000;
const MOST_PICTURED = 2_000_000;

/** What all riders that are seen cost to paint, in plain elements. */
function paintedBy({ riders, art }: Scene): number {
  const arts = new Map(art.map((one) => [one.id, one]));
  return riders.reduce((sum, rider) => {
    const drawn = rider.output ? arts.get(rider.art) : undefined;
    return sum + (drawn ? paintingOf(drawn) : 0);
  }, 0);
}

/** A scene as a small moving SVG's text; undefined where it cannot be drawn, or only at great cost. Where nothing rides, the guides are drawn as lines, so that there is something to see. `until` gives it up. */
export async function movingPicture(scene: Scene, until?: AbortSignal): Promise<string | undefined> {
  if (paintedBy(scene) > MOST_PAINTED) return undefined;
  const job = writeOutput(
    scene.riders.length > 0 ? scene : withLines(scene),
    { id: 'animated-svg', needs: 'take' },
    { plays: 'small' },
    { isMeasured: false },
  );
  until?.addEventListener('abort', job.cancel);
  const end = await job.end;
  const file = end.state === 'done' && end.result.size <= MOST_PICTURED ? end.result.files[0] : undefined;
  return file?.blob.text();
}

const withLines = (scene: Scene): Scene => ({
  ...scene,
  guides: scene.guides.map((guide) => ({
    ...guide,
    stroke: guide.stroke ?? { color: guide.color, width: scene.canvas.width / 200, dash: null, draws: null },
  })),
});

/** A scene without the pixels of its pictures: they are large, and checks need none. */
const withoutPixels = (scene: Scene): Scene => ({ ...scene, assets: {} });

/** ms. A drawing that takes longer to read is given up, whatever it is: its size has a limit already, and slow machines are waited for. */
const READING_LIMIT = 30_000;

/** Reads an SVG file's text into art off the main thread; a long one can be watched and cancelled. */
export const readArtFile = async (name: string, text: string): Promise<ArtResult> =>
  resultOf(await shown(`Reading ${name}`, () => reading.run('art', text, { limit: READING_LIMIT })));

/** Reads an SVG file's text and takes it apart, in the same way. */
export const readPartsOf = async (name: string, text: string): Promise<PartsResult> =>
  resultOf(await shown(`Reading ${name}`, () => reading.run('parts', text, { limit: READING_LIMIT })));

/** An art with its texts as outlines by the fonts of these files, off the main thread. */
export const outlinesOfTexts = (
  art: Art,
  fonts: readonly { readonly name: string; readonly bytes: ArrayBuffer }[],
): Promise<JobEnd<Outlined<Art>>> =>
  shown(`Outlining the text of ${art.name}`, () => reading.run('outlined', { art, fonts }, { limit: READING_LIMIT }));

const refuse = (message: string): SceneReading => ({ ok: false, problems: [{ path: '', message }] });

/** ms. No scene that a file may hold takes as long to read; what does is given up. It can be cancelled before. */
const SCENE_LIMIT = 60_000;

/** Reads a scene file, or the scene that another file carries, off the main thread. */
export async function readSceneFile(name: string, file: Blob): Promise<SceneReading> {
  if (file.size > MOST_TEXT) return refuse('it is larger than 100 MB');
  const text = await file.text();
  return readingOf(await shown(`Reading ${name}`, () => reading.run('scene', text, { limit: SCENE_LIMIT })));
}

/** Reads the scene that an address holds, in the same way. */
export const readSceneLink = async (text: string): Promise<SceneReading> =>
  readingOf(await shown('Reading the scene in the address', () => reading.run('link', text, { limit: SCENE_LIMIT })));

/** Reads a list of points or a GPX file off the main thread; a long one can be watched and cancelled. */
export async function readTrailFile(asked: TrailsAsked): Promise<TrailsResult> {
  const label = `Reading ${asked.name}`;
  return resultOf(await shown(label, (onProgress) => reading.run('trails', asked, { onProgress, limit: SCENE_LIMIT })));
}

const readingOf = (end: JobEnd<SceneReading>): SceneReading =>
  end.state === 'done' ? end.result : refuse(end.state === 'failed' ? end.message : 'reading it was cancelled');

const resultOf = <R>(end: JobEnd<R>): R | { readonly ok: false; readonly message: string } =>
  end.state === 'done'
    ? end.result
    : { ok: false, message: end.state === 'failed' ? end.message : 'reading it was cancelled' };
