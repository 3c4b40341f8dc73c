import type { PoseStageMaker } from '../stage.ts';
import { distanceStage } from './distance.ts';
import { foldStage } from './fold.ts';
import { headingStage } from './heading.ts';
import { matrixStage } from './matrix.ts';
import { placeStage } from './place.ts';

/** From a time to a pose, in this order. To add a stage: write its file, put it in its place here. */
export const STAGES: readonly PoseStageMaker[] = [foldStage, distanceStage, placeStage, headingStage, matrixStage];
