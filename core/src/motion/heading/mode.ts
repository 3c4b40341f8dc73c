import type { Art, Heading } from '../../scene/index.ts';
import type { PoseStage } from '../stage.ts';
import type { PreparedRider } from '../prepared-rider.ts';

export const RADIANS = Math.PI / 180;

/** One way of facing. To add one: write its file, add it to the list in index.ts and its name to the schema. */
export interface HeadingMode {
  readonly mode: Heading['mode'];
  /** Constant rotation, rad, before any offset. */
  readonly rest: (art: Art | undefined) => number;
  /** What it adds over time; undefined where it adds nothing. */
  readonly aim: (rider: PreparedRider) => PoseStage | undefined;
}
