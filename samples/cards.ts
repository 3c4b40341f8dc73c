import { loopLength, type Scene } from '@pace-line/core';

/** What the Shelf says of a sample: its file, its name, and how long its loop is, s. */
export interface SampleCard {
  readonly file: string;
  readonly name: string;
  readonly seconds: number;
}

export const cardsOf = (samples: readonly { readonly file: string; readonly scene: Scene }[]): SampleCard[] =>
  samples.map(({ file, scene }) => ({ file, name: scene.name, seconds: loopLength(scene.clock) }));
