import { carriesScene, emptyScene, MOST_TEXT, type Scene } from '@pace-line/core';
import { keepNewScene, listCards } from '../document/index.ts';
import { readSceneFile } from '../jobs/index.ts';
import { warn } from '../look/notices.tsx';
import { mayCarryScene } from '../platform/files.ts';
import { newSceneId } from '../platform/ids.ts';
import { wordsOfProblems } from '../words/problems.ts';
import { reasonOf } from '../words/reasons.ts';

/** Keeps a scene under a new id and gives the id. */
export async function keepNew(scene: Scene, sample: string | null = null): Promise<string | undefined> {
  const id = newSceneId();
  try {
    await keepNewScene(id, scene, sample);
    return id;
  } catch (error) {
    warn('The scene could not be saved', `This browser did not store it: ${reasonOf(error)}.`);
    return undefined;
  }
}

export async function startNew(): Promise<string | undefined> {
  const names = new Set((await listCards()).map((card) => card.name));
  let n = 1;
  while (names.has(n === 1 ? 'New scene' : `New scene ${n}`)) n++;
  return keepNew(emptyScene(n === 1 ? 'New scene' : `New scene ${n}`));
}

/** Whether a file is one that was sent with its scene in it. What is larger than any scene is not even looked at. */
export const isCarrier = async (file: File): Promise<boolean> =>
  mayCarryScene(file) && file.size <= MOST_TEXT && carriesScene(await file.text());

/** Reads a scene file into this browser; says what is wrong with a bad one. Gives its id. */
export async function openSceneFile(file: File): Promise<string | undefined> {
  const read = await readSceneFile(file.name, file);
  if (read.ok) return keepNew(read.scene);
  warn(`${file.name} was not opened`, `${wordsOfProblems(read.problems)} Nothing was changed.`);
  return undefined;
}
