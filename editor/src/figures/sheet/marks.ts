import {
  copiesInView,
  foldingOf,
  secondsPerPx,
  xOfTime,
  yOfDistance,
  type Axes,
  type Mark,
  type Rider,
  type Shown,
} from '@pace-line/core';
import { footOfMark, restHandleX } from '../../tools/sheet/index.ts';
import { markLabel, seconds } from '../../words/labels.ts';
import type { Figure } from '../figure.ts';
import { group, shape, type Attributes, type Part } from '../shapes.ts';
import { isTabStop } from '../tab-stop.ts';
import type { SheetNow } from './now.ts';
import { inRouteColor } from './tints.ts';

/** Rings beyond which those are left out that would cover another, and how near that is, px. */
const [MANY, CROWDED] = [300, 6];

/** The marks of the rider that is worked on: rings, the flats of their rests, the words of a single chosen one. */
export const marks: Figure<SheetNow> = {
  id: 'marks',
  of: ({ rider, guide, scene, axes, length, selection }) => [
    ...[rider, guide, scene.clock, axes, length, selection.marks],
  ],
  draw({ rider, guide, scene, axes, length, selection }) {
    if (!rider) return null;
    const folding = foldingOf(rider, scene.clock);
    const chosen = new Set(selection.marks);
    const all = rider.pace.marks;
    const taken = all.length > MANY ? new Set<number>() : undefined;
    const wide = CROWDED * secondsPerPx(axes);
    const parts: Part[] = [];
    for (let i = 0; i < all.length; i++) {
      const mark = all[i];
      if (!mark) continue;
      const distance = footOfMark(guide, rider, mark);
      const y = yOfDistance(axes, distance);
      const isChosen = chosen.has(mark.id);
      if (taken) {
        // Of many that would cover each other one is drawn.
        const cell = Math.floor(mark.time / wide) * 1e6 + Math.floor(y / CROWDED);
        if (taken.has(cell) && !isChosen) continue;
        taken.add(cell);
      }
      const isStop = isTabStop(selection.marks, mark.id, i);
      copiesInView(axes, folding, mark.time, length).forEach(({ shown, isFirst }, copy) => {
        const x = xOfTime(axes, shown.time);
        if (x < axes.left - 4 || x > axes.right + 4) return;
        parts.push(
          group(
            {
              key: `${mark.id} ${copy}`,
              class: `mark ${isChosen ? 'selected' : ''}`,
              'data-mark': mark.id,
              ...(isFirst && reached(rider, mark, distance, isChosen, isStop)),
            },
            [
              ...rest(axes, shown, mark, isChosen, x, y),
              shape('circle', { key: 'ring', class: 'mark-ring', cx: x, cy: y, r: 5.5 }),
              isChosen && chosen.size === 1 && words(mark, x, y, axes),
            ],
          ),
        );
      });
    }
    return { style: inRouteColor(guide.color), parts };
  },
};

/** What makes a mark one that the keyboard comes to: Tab where it is a stop, and from there one goes to the others. */
const reached = (rider: Rider, mark: Mark, distance: number, isChosen: boolean, isStop: boolean): Attributes => ({
  'data-part': mark.id,
  'data-rider': rider.id,
  tabindex: isStop ? 0 : -1,
  role: 'button',
  'aria-pressed': String(isChosen),
  'aria-label': markLabel(rider, mark, distance),
});

/** A flat from a mark to where its rest ends, with what pulls that. */
function rest(axes: Axes, shown: Shown, mark: Mark, isChosen: boolean, x: number, y: number): Part[] {
  if (mark.dwell <= 0 && !isChosen) return [];
  const end = restHandleX(axes, shown, mark);
  return [
    shape('line', { class: 'rest-line', x1: x, x2: end, y1: y, y2: y }),
    shape('path', { class: 'rest-end', 'data-rest': mark.id, d: `M${end} ${y - 6}V${y + 6}` }),
  ];
}

function words(mark: Mark, x: number, y: number, axes: Axes): Part {
  const text = mark.dwell > 0 ? `${seconds(mark.time)}, rests ${seconds(mark.dwell)}` : seconds(mark.time);
  const width = text.length * 6.4 + 14;
  const beside = x > axes.right - 120 ? x - 10 - width : x + 10;
  // On a narrow sheet the words go over the mark's side before they leave it.
  const left = Math.max(4, Math.min(beside, axes.right - width));
  const top = y - 28 < axes.top ? y + 12 : y - 28;
  return group({ key: 'words', class: 'mark-label', transform: `translate(${left} ${top})` }, [
    shape('rect', { width, height: 18, rx: 3 }),
    shape('text', { x: 7, y: 13 }, text),
  ]);
}
