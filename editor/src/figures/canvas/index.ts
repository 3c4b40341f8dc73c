import type { Figure } from '../figure.ts';
import { camera } from './camera.ts';
import { cursor } from './cursor.ts';
import { finding } from './finding.ts';
import { guideLines } from './guides.ts';
import { handles } from './handles.ts';
import { hints } from './hints.ts';
import type { CanvasNow } from './now.ts';
import { seam } from './seam.ts';
import { seeing } from './seeing.ts';
import { speedBand } from './speed-band.ts';
import { ticks } from './ticks.ts';

export { ticksNow } from './ticks.ts';
export type { CanvasNow } from './now.ts';

/** What is painted over the stage, from the lowest layer to the highest. */
export const CANVAS_FIGURES: readonly Figure<CanvasNow>[] = [
  camera,
  guideLines,
  speedBand,
  seam,
  ticks,
  seeing,
  handles,
  finding,
  hints,
  cursor,
];
