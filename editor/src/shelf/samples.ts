import { readScene, type Scene } from '@pace-line/core';
import { listCards } from '../document/index.ts';
import { keepNew } from '../scene/new-scene.ts';

const files = import.meta.glob<string>('../../../samples/scenes/*.paceline.json', { query: '?raw', import: 'default' });

/** A sample that ships with the application. */
export interface Sample {
  readonly file: string;
  readonly scene: Scene;
}

/** Reads all samples of Lantern Quay. */
export async function loadSamples(): Promise<Sample[]> {
  return Promise.all(
    Object.entries(files).map(async ([path, load]) => {
      const read = readScene(await load());
      const file = path.slice(path.lastIndexOf('/') + 1);
      if (!read.ok) throw new Error(`The sample ${file} cannot be read`);
      return { file, scene: read.scene };
    }),
  );
}

/** Opens a sample as a scene of one's own; one that was opened and not changed is used again. */
export async function openSample({ file, scene }: Sample): Promise<string | undefined> {
  const untouched = (await listCards()).find((card) => card.sample === file);
  return untouched?.id ?? keepNew(scene, file);
}
