import type { z } from '../zod.ts';
import { wordsOfIssue } from './issue-words.ts';
import type { TellIssue } from './schema/issue.ts';
import type { Scene } from './schema/index.ts';

/** What was wrong with a scene file, and where: a path such as `riders.0.pace.marks.2.time`, empty for the whole file. */
export interface SceneProblem {
  readonly path: string;
  readonly message: string;
}

/** What reading a scene gives: it, or what was wrong, the first hundred problems at most. */
export type SceneReading =
  { readonly ok: true; readonly scene: Scene } | { readonly ok: false; readonly problems: readonly SceneProblem[] };

/** Problems that are told of at most. Where there are more the file is no scene, and a list of a million says no more than its first hundred. */
export const MOST_PROBLEMS = 100;

/** What is found wrong with a scene, until it is enough. */
export class Problems {
  readonly list: SceneProblem[] = [];
  readonly #root: unknown;

  /** `root`: all that is read, so that a problem can say what was found at its path. */
  constructor(root: unknown) {
    this.#root = root;
  }

  get isFull(): boolean {
    return this.list.length >= MOST_PROBLEMS;
  }

  /** Takes what the schema of a part found; `path` leads to the part. */
  add(issues: readonly z.core.$ZodIssue[] | undefined, path: readonly PropertyKey[]): void {
    for (const issue of issues ?? []) {
      if (this.isFull) return;
      const whole = { ...issue, path: [...path, ...issue.path] };
      this.list.push({ path: whole.path.join('.'), message: wordsOfIssue(whole, this.#root) });
    }
  }

  /** As what joins the parts of a scene tells it. */
  readonly tell: TellIssue = (path, message) => {
    if (!this.isFull) this.list.push({ path: path.join('.'), message });
  };
}
