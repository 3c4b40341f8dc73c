import type { Scene } from '../scene/index.ts';
import type { Check } from './check.ts';
import { clearance } from './clearance/index.ts';
import { corridor } from './corridor/index.ts';
import { findingsBy, type Told } from './findings.ts';
import { QUICK_CHECKS } from './list.ts';
import { withinFrame } from './leaps/within-frame.ts';
import { meeting } from './meeting-check.ts';
import { flashes, offCanvas, reading } from './seen/index.ts';
import { slip, stall } from './ride/index.ts';
import { offersFor as offersBy, type Offers } from './offers/index.ts';

export type { Told } from './findings.ts';
export { findingRow, findingsShape } from './rows.ts';
export { sharing } from './sharing.ts';

/** All checks, in the order in which their findings are told. */
export const CHECKS: readonly Check[] = [
  ...QUICK_CHECKS,
  withinFrame,
  slip,
  stall,
  clearance,
  corridor,
  offCanvas,
  reading,
  flashes,
  meeting,
];

/** What all checks find in a scene, or those that are asked for: what is wrong first, each in the list's order. What is meant so counts as holding. */
export const findingsOf = (scene: Scene, only?: readonly string[]): readonly Told[] =>
  findingsBy(
    CHECKS.filter(({ id }) => !only || only.includes(id)),
    scene,
  );

/** What can be done about a finding of a scene, judged by all checks that can find a fault. */
export const offersFor = (scene: Scene, finding: Told): Offers =>
  offersBy(
    scene,
    finding,
    CHECKS.filter(({ isTold }) => !isTold),
  );
