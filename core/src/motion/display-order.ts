import type { Guide, Rider, Scene } from '../scene/index.ts';

/** One thing that is drawn: a rider's art, or the stroke of a guide. `under`: the place in which the rider is drawn while its pose says so; 0 is its own. */
export type Displayed =
  | { readonly kind: 'rider'; readonly rider: Rider; readonly index: number; readonly under: number }
  | { readonly kind: 'stroke'; readonly guide: Guide; readonly index: number };

/**
 * Everything that is drawn, from the back to the front; `index` is that in the scene's list. Riders stand in the scene's order; the stroke of a guide lies before the first
 * rider that rides it, so over the scenery behind and under what runs along it; without one right after what carries it; else before the first that rides anything; else
 * after all. A rider
 * that is behind others at times stands right before each of them as well.
 */
export function displayOrder(scene: Scene): Displayed[] {
  const { riders, guides } = scene;
  const firstOn = (id?: string): number =>
    riders.findIndex((rider) => (id === undefined ? rider.guide !== null : rider.guide === id));
  const strokes = guides.flatMap((guide, index) => {
    if (!guide.stroke) return [];
    const over = guide.carrier === null ? 0 : riders.findIndex(({ id }) => id === guide.carrier) + 1;
    const level = [firstOn(guide.id), over || firstOn(), riders.length].find((at) => at >= 0) ?? 0;
    return [{ level, drawn: { kind: 'stroke', guide, index } as const }];
  });
  const strokesAt = (level: number): Displayed[] =>
    strokes.flatMap((stroke) => (stroke.level === level ? [stroke.drawn] : []));
  const hidden = hiddenBehind(scene);
  const drawn = riders.flatMap((rider, index): Displayed[] => {
    return [...strokesAt(index), ...(hidden.get(rider.id) ?? []), { kind: 'rider', rider, index, under: 0 }];
  });
  return [...drawn, ...strokesAt(riders.length)];
}

/** Riders that are at times behind another one, by that one's id. */
function hiddenBehind({ riders }: Scene): ReadonlyMap<string, readonly Displayed[]> {
  const found = new Map<string, Displayed[]>();
  riders.forEach((rider, index) => {
    rider.behind.forEach((stretch, i) => {
      const list = found.get(stretch.rider) ?? [];
      list.push({ kind: 'rider', rider, index, under: i + 1 });
      found.set(stretch.rider, list);
    });
  });
  return found;
}

/** Index of the rider that draws a guide's stroke as it goes, −1 where the stroke is there whole. Only a rider of that guide draws it. */
export const drawerOf = (scene: Scene, guide: Guide): number =>
  scene.riders.findIndex((rider) => rider.id === guide.stroke?.draws && rider.guide === guide.id);

/** Share of a guide's length that is drawn when its rider is at a distance, px. */
export const drawnShare = (distance: number, length: number): number =>
  length > 0 ? Math.min(1, Math.max(0, distance / length)) : 0;
