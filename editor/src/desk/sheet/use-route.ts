import { useMemo } from 'react';
import { guideById, ridersOf, type Guide, type Rider, type Scene } from '@pace-line/core';
import type { Selection } from '../../document/index.ts';
import { useDeskView } from '../view.ts';

/** What the sheet shows: one guide, its riders, and the rider that is worked on. */
export interface Route {
  readonly guide: Guide | undefined;
  readonly riders: readonly Rider[];
  readonly selected: Rider | undefined;
}

/** The route of a scene that was chosen last, or its first guide; the same lists as long as the scene's are. */
export function useRoute(scene: Scene, selection: Selection): Route {
  const route = useDeskView((state) => state.route);
  const guide = guideById(scene, route) ?? scene.guides[0];
  const riders = useMemo(() => (guide ? ridersOf(scene, guide.id) : []), [scene, guide]);
  return { guide, riders, selected: riders.find((rider) => rider.id === selection.riders[0]) ?? riders[0] };
}
