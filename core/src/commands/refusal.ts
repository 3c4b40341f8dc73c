/** Reasons why a command does not apply. The interface words them. */
export const REFUSALS = [
  'art-in-use',
  'at-mark',
  'at-node',
  'canvas-size',
  'carried-in-circle',
  'carried-with-guide',
  'cycle-too-short',
  'duration',
  'empty-name',
  'id-taken',
  'join-needs-nodes',
  'join-needs-two',
  'join-open-only',
  'kept-already',
  'landing-beside-nodes',
  'last-mark',
  'last-node',
  'line-returns',
  'linked',
  'locked',
  'marks-do-not-fit',
  'marks-past-end',
  'motion-too-short',
  'needs-closed',
  'no-art',
  'other-art',
  'no-corners',
  'no-guide',
  'no-key',
  'no-mark',
  'no-node',
  'no-nodes',
  'no-output',
  'no-picture',
  'no-picture-missing',
  'no-recipe',
  'no-rider',
  'no-set',
  'no-shape',
  'no-span',
  'not-linked',
  'nothing-copied',
  'nothing-left',
  'open-guide-starts-at-end',
  'original-linked',
  'other-guide',
  'outside-cycle',
  'pace-needs-guide',
  'paced-by-recipe',
  'parallel-bound',
  'parked',
  'recipe-needs-two',
  'piece-needs-two-ends',
  'split-at-end',
  'stretch-needs-two',
  'time-by-recipe',
  'tolerance',
  'too-many-art',
  'too-many-guides',
  'too-many-keys',
  'too-many-marks',
  'too-many-nodes',
  'too-many-outputs',
  'too-many-riders',
  'too-many-sets',
  'too-many-tracing',
  'too-many-weight',
  'two-nodes-to-close',
] as const;
export type RefusalCode = (typeof REFUSALS)[number];

/** Why a command does not apply, as data: names and ids that the words need. */
export interface Refusal {
  readonly code: RefusalCode;
  readonly data: Readonly<Record<string, string | number>>;
}

export const refusal = (code: RefusalCode, data: Refusal['data'] = {}): Refusal => ({ code, data });

/** Thrown by a command that is called where `can` gives a reason. */
export class SceneError extends Error {
  readonly refusal: Refusal;
  constructor(refused: Refusal) {
    super(`${refused.code} ${JSON.stringify(refused.data)}`);
    this.name = 'SceneError';
    this.refusal = refused;
  }
}
