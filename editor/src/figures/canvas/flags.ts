import { guideById, riderById } from '@pace-line/core';
import { flagsOf, type Flag } from '../../tools/index.ts';
import { group, shape, type Part } from '../shapes.ts';
import { lyingOn } from './lying.ts';
import type { CanvasNow } from './now.ts';
import { Thinning } from './thinning.ts';

/** px of the screen from a flag’s foot to its top. */
const TALL = 20;

/** Flags that stand nearer to another than this, px of the screen, are left out where there are many. */
const CROWDED = 4;

/** The selected rider's marks as flags on its guide. */
export function flags(now: CanvasNow): Part {
  const all = flagsOf(now.scene, now.selection);
  const [first] = all;
  if (!first) return null;
  const chosen = new Set(now.selection.marks);
  return lyingOn(now, first.guide, `flags of ${first.guide.id}`, (scale) => {
    const thinning = new Thinning(now, first.guide, all.length, CROWDED);
    const zoom = now.view.zoom * scale;
    return all
      .filter(({ x, y, mark }) => thinning.takes(x, y, chosen.has(mark)))
      .map((one) => flag(one, zoom, chosen.has(one.mark)));
  });
}

/** What the flags are made of. */
export function ofFlags({ scene, selection }: CanvasNow): readonly unknown[] {
  const rider = riderById(scene, selection.riders[0] ?? '');
  return [rider, guideById(scene, rider?.guide ?? null)];
}

/** A mark as a flag on the guide: a stem, a pennant, its time while it is selected. */
function flag({ mark, x, y, normalX, normalY, time }: Flag, zoom: number, isSelected: boolean): Part {
  const lean = normalY <= 0 ? 1 : -1;
  const [tx, ty] = [normalX * TALL * lean, normalY * TALL * lean];
  return group(
    {
      key: mark,
      class: `flag ${isSelected ? 'selected' : ''}`,
      transform: `translate(${x} ${y}) scale(${1 / zoom})`,
    },
    [
      shape('path', { class: 'flag-stem', d: `M0 0L${tx} ${ty}` }),
      shape('circle', { class: 'flag-foot', r: 3.5 }),
      group({ transform: `translate(${tx} ${ty})` }, [
        group({ class: 'upright' }, [
          shape('path', { class: 'flag-pennant', d: 'M0 0l11 3.500l-11 4.500Z' }),
          isSelected && shape('text', { class: 'flag-label', x: 14, y: 7 }, `${time.toFixed(2)} s`),
        ]),
      ]),
    ],
  );
}
