import { wordingOf, type Scene, type SceneProblem } from '@pace-line/core';
import { plainDirection } from './plain.ts';

/** What is wrong with a file: its first problem in full, and how many more there are. */
export function wordsOfProblems([first, ...more]: readonly SceneProblem[]): string {
  const others =
    more.length > 0 ? ` There ${more.length === 1 ? 'is 1 more problem' : `are ${more.length} more problems`}.` : '';
  return `${first ? wordingOf(first) : 'It cannot be read'}.${others}`;
}

/** Why a change was not made: what of the scene it would have put beyond what a file holds, by its name. */
export function wordsOfUnsound({ path, message }: SceneProblem, scene: Scene): string {
  const [list = '', index = '', ...rest] = path.split('.');
  const parts = list === 'riders' || list === 'guides' || list === 'art' || list === 'tracing' ? scene[list] : [];
  const part = parts[Number(index)];
  if (!part) return `That was not done: ${wordingOf({ path, message })}.`;
  return `That was not done: ${wordingOf({ path: rest.join('.'), message })}, for “${plainDirection(part.name)}”.`;
}
