import { readScene } from '@pace-line/core';
import cards from '../../../samples/scenes/cards.json';
import { listCards } from '../document/index.ts';
import { warn } from '../look/notices.tsx';
import { keepNew } from './new-scene.ts';

const FOLDER = '../../../samples/scenes/';
const files = import.meta.glob<string>('../../../samples/scenes/*.paceline.json', { query: '?raw', import: 'default' });
// Written by our own writer when the application is built: a first visit bakes nothing.
const pictures = import.meta.glob<string>('../../../samples/scenes/*.paceline.json', {
  query: '?url&plays=small',
  import: 'default',
  eager: true,
});

/** A sample that ships with the application. */
export interface Sample {
  readonly file: string;
  readonly name: string;
  /** Length of its loop, s. */
  readonly seconds: number;
  /** Address of a small moving picture of it. */
  readonly picture: string;
}

/** All samples of Lantern Quay. */
export const SAMPLES: readonly Sample[] = cards.map((card) => ({
  ...card,
  picture: pictures[FOLDER + card.file] ?? '',
}));

/** Opens a sample as a scene of one's own; one that was opened and not changed is used again. Gives its id, undefined where it was not opened, and it is said why. */
export async function openSample({ file, name }: Sample): Promise<string | undefined> {
  const untouched = (await listCards()).find((card) => card.sample === file);
  if (untouched) return untouched.id;
  const text = await files[FOLDER + file]?.().catch(() => undefined);
  if (text === undefined) {
    warn(`The sample ${name} was not opened`, 'Its file could not be loaded. Is the server still running?');
    return undefined;
  }
  const read = readScene(text);
  if (!read.ok) throw new Error(`The sample ${file} cannot be read`);
  return keepNew(read.scene, file);
}
