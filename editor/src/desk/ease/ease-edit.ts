import type { CompiledEase, Ease, Scene } from '@pace-line/core';

/** An ease, and how it is changed. */
export interface EaseEdit {
  readonly label: string;
  readonly ease: Ease;
  /** How it is run, where that depends on the legs beside it. */
  readonly as?: CompiledEase | undefined;
  /** How long the leg lasts, s. */
  readonly lasts: number;
  /** The scene with another ease in place of this one. */
  readonly edit: (scene: Scene, ease: Ease) => Scene;
}
