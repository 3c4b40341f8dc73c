import type { Heading } from '../../scene/index.ts';
import type { CarrierFrame } from '../carrier-frame.ts';
import type { PreparedRider } from '../prepared-rider.ts';
import type { RiderGraph } from '../posed.ts';
import type { PoseStage } from '../stage.ts';

export const RADIANS = Math.PI / 180;

/** What a mode may ask for. */
export interface Aiming {
  readonly prepared: PreparedRider;
  readonly graph: RiderGraph;
  /** The frame that the rider is placed in; undefined: the canvas. */
  readonly frame: CarrierFrame | undefined;
}

/** One way of facing. To add one: write its file, add it to the list in index.ts and its name to the schema. */
export interface HeadingMode {
  readonly mode: Heading['mode'];
  /** A rider that has no guide faces by this mode as well; else it is level. */
  readonly parked: boolean;
  /** The nose of the art is turned to where the rider heads; else it stays as it was drawn, and the direction only says when it is mirrored. */
  readonly turns: boolean;
  /** It faces a way along the guide, and may turn round where it moves against it. */
  readonly reverses: boolean;
  /** Puts the direction into `SLOT.toward`; undefined where that is 0. */
  readonly aim: (aiming: Aiming) => PoseStage | undefined;
}
