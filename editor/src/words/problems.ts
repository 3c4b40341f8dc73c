import { wordingOf, type SceneProblem } from '@pace-line/core';

/** What is wrong with a file: its first problem in full, and how many more there are. */
export function wordsOfProblems([first, ...more]: readonly SceneProblem[]): string {
  const others = more.length > 0 ? ` There are ${more.length} more problems.` : '';
  return `${first ? wordingOf(first) : 'It cannot be read'}.${others}`;
}
