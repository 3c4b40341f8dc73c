import type { PoseStageMaker } from '../stage.ts';
import { behindStage } from './behind.ts';
import { carryStage } from './carry.ts';
import { enterStage, hideStage } from './enter.ts';
import { distanceStage } from './distance.ts';
import { foldStage } from './fold.ts';
import { frameStage } from './frame.ts';
import { headingStage } from './heading.ts';
import { matrixStage } from './matrix.ts';
import { offsetsStage } from './offsets.ts';
import { placeStage } from './place.ts';
import { posesStage } from './poses.ts';
import { rollStage } from './roll.ts';
import { squashStage } from './squash.ts';
import { stringStage } from './string.ts';

/** From a time to a pose, in this order. To add a stage: write its file, put it in its place here. */
export const STAGES: readonly PoseStageMaker[] = [
  foldStage,
  distanceStage,
  offsetsStage,
  placeStage,
  frameStage,
  headingStage,
  rollStage,
  matrixStage,
  stringStage,
  squashStage,
  enterStage,
  carryStage,
  posesStage,
  behindStage,
  hideStage,
];
