import { useMemo } from 'react';
import { guideById, riderById } from '@pace-line/core';
import { useSpacingState } from '../../../document/index.ts';
import { ticksOf, type Ticks } from './ticks.ts';

/** The spacing ticks of the selected rider, or of the first rider of the selected guide. */
export function useTicks(zoom: number): Ticks | null {
  const scene = useSpacingState((state) => state.shown);
  const selection = useSpacingState((state) => state.selection);
  const riding = scene.riders.find((rider) => rider.guide !== null && rider.guide === selection.guides[0]);
  const rider = riderById(scene, selection.riders[0] ?? '') ?? riding;
  const guide = guideById(scene, rider?.guide ?? null);
  const isRiding = guide?.visible === true;
  return useMemo(() => (rider && isRiding ? ticksOf(scene, rider, zoom) : null), [scene, rider, isRiding, zoom]);
}
