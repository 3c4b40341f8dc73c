import { useMemo } from 'react';
import { guideById, riderById, type Scene } from '@pace-line/core';
import type { Selection } from '../../../document/index.ts';
import { ticksOf, type Ticks } from './ticks.ts';

/** The spacing ticks of the selected rider, or of the only rider of the selected guide. */
export function useTicks(scene: Scene, selection: Selection, zoom: number): Ticks | null {
  const riding = scene.riders.filter((rider) => rider.guide !== null && rider.guide === selection.guides[0]);
  const rider = riderById(scene, selection.riders[0] ?? '') ?? (riding.length >= 1 ? riding[0] : undefined);
  const isRiding = rider?.guide != null && guideById(scene, rider.guide)?.visible;
  return useMemo(() => (rider && isRiding ? ticksOf(scene, rider, zoom) : null), [scene, rider, isRiding, zoom]);
}
