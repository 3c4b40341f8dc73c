import {
  checkClosing,
  checkJumps,
  checkSeam,
  FORMATS,
  memorySink,
  POSE_SIZE,
  prepare,
  problemsOf,
  sceneFromJson,
  send,
  writeScene,
  type Scene,
} from '@pace-line/core';

/** How a scene fared: refused with a reason, or read and used with all that the application does to it. */
export type Fate =
  | { readonly state: 'refused'; readonly reason: string }
  | { readonly state: 'taken'; readonly faults: readonly string[]; readonly written: readonly string[] };

/** ms of work after which writing is told to stop, as a person would. */
const PATIENCE = 10_000;

/** Times at which a scene is asked where its riders are, s: within its loop and far outside of it. */
const timesOf = (length: number): number[] => [
  ...Array.from({ length: 41 }, (_, i) => (length * i) / 40),
  -1e6,
  1e9,
  length * (1 - 1e-12),
];

/** Reads a scene from JSON and, where it is taken, does to it what the application does; writing takes longest and may be left out. Faults are what must never be. */
export async function fateOf(json: unknown, isWritten = true): Promise<Fate> {
  const read = sceneFromJson(json);
  if (!read.ok) {
    const [first] = read.problems;
    if (!first) return { state: 'taken', faults: ['refused without a reason'], written: [] };
    return { state: 'refused', reason: `${first.path}: ${first.message}` };
  }
  return { state: 'taken', ...(await faultsOf(read.scene, isWritten)) };
}

async function faultsOf(scene: Scene, isWritten: boolean): Promise<{ faults: string[]; written: string[] }> {
  const faults: string[] = [];
  if (problemsOf(scene).length > 0) faults.push('read, but found unsound');
  const text = writeScene(scene);
  const again = sceneFromJson(JSON.parse(text));
  if (!again.ok || writeScene(again.scene) !== text) faults.push('not the same when it is opened again');
  const motion = prepare(scene);
  for (const time of timesOf(motion.length)) {
    const { data } = motion.poseAt(time);
    const bad = data.findIndex((value) => !Number.isFinite(value));
    if (bad >= 0) {
      faults.push(`rider ${Math.floor(bad / POSE_SIZE)}: slot ${bad % POSE_SIZE} is ${data[bad]} at ${time} s`);
      break;
    }
  }
  const told = JSON.stringify([checkSeam(scene), checkJumps(scene), checkClosing(scene)], (_, value: unknown) =>
    typeof value === 'number' && !Number.isFinite(value) ? 'NO NUMBER' : value,
  );
  if (told.includes('NO NUMBER')) faults.push('a check says no number');
  return { faults, written: isWritten ? await writtenBy(scene, faults) : [] };
}

/** Writes a scene in every format; what is written, or the words with which a format declines. */
async function writtenBy(scene: Scene, faults: string[]): Promise<string[]> {
  const written: string[] = [];
  // A component is a module with a few lines of its own; pixels are painted in browsers.
  for (const format of FORMATS.filter(({ id, needs }) => needs !== 'pixels' && id !== 'react')) {
    const { sink, files } = memorySink();
    const begun = performance.now();
    const signal = {
      get aborted() {
        return performance.now() - begun > PATIENCE;
      },
    };
    try {
      await send(scene, format, format.options.parse({}), sink, { progress: () => undefined, signal });
      const size = files.reduce((sum, { chunks }) => sum + chunks.reduce((all, one) => all + one.length, 0), 0);
      if (
        files.some(({ chunks }) =>
          chunks.some((one) => typeof one === 'string' && /NaN|Infinity|undefined/.test(withoutScripts(one))),
        )
      )
        faults.push(`${format.id} writes what is no number`);
      written.push(`${format.id}: ${size}`);
    } catch (error) {
      const message = error instanceof Error ? error.message : String(error);
      if (/invalid array length|call stack|out of memory|undefined|not a function|NaN/i.test(message))
        faults.push(`${format.id}: ${message}`);
      written.push(`${format.id}: ${message}`);
    }
  }
  return written;
}

/** A text without the scripts that are the same in every one: they speak of what is undefined. */
const withoutScripts = (text: string): string => text.replace(/function drive\([\s\S]*$/, '');
