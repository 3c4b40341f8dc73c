import type { Scene } from '../scene/index.ts';
import { lostFeatures } from './features.ts';
import type { Format } from './format.ts';

/** What of a scene a format leaves out with these options, a sentence each. */
export const lostIn = (scene: Scene, { holds, holdsWith }: Format, options: Record<string, unknown>): string[] =>
  lostFeatures(scene, [...holds, ...(holdsWith?.(options) ?? [])]);
