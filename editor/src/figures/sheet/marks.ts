import { copiesInView, foldingOf, xOfTime, yOfDistance, type Axes, type Mark, type Shown } from '@pace-line/core';
import { footOfMark, restHandleX } from '../../tools/sheet/index.ts';
import { markLabel, seconds } from '../../words/labels.ts';
import type { Figure } from '../figure.ts';
import { group, shape, type Attributes, type Part } from '../shapes.ts';
import { isTabStop } from '../tab-stop.ts';
import type { SheetNow } from './now.ts';
import { inRouteColor } from './tints.ts';

/** Rings beyond which those are left out that would cover another, and how near that is, px. */
const [MANY, CROWDED] = [300, 4];

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
    /** Whether it is drawn: of many that would cover each other, one. */
    const takes = (x: number, y: number, mark: Mark): boolean => {
      const cell = Math.floor(x / CROWDED) * 1e6 + Math.floor(y / CROWDED);
      if (!taken || chosen.has(mark.id)) return true;
      if (taken.has(cell)) return false;
      taken.add(cell);
      return true;
    };
    return {
      style: inRouteColor(guide.color),
      parts: all.flatMap((mark, i): Part[] => {
        const copies = copiesInView(axes, folding, mark.time, length).filter(({ shown }) => isIn(axes, shown));
        if (copies.length === 0) return [];
        const distance = footOfMark(guide, rider, mark);
        const y = yOfDistance(axes, distance);
        return copies.map(({ shown, isFirst }, copy): Part => {
          const x = xOfTime(axes, shown.time);
          const isChosen = chosen.has(mark.id);
          const reached: Attributes = {
            'data-part': mark.id,
            'data-rider': rider.id,
            tabindex: isTabStop(selection.marks, mark.id, i) ? 0 : -1,
            role: 'button',
            'aria-pressed': String(isChosen),
            'aria-label': markLabel(rider, mark, distance),
          };
          return (
            takes(x, y, mark) &&
            group(
              {
                key: `${mark.id} ${copy}`,
                class: `mark ${isChosen ? 'selected' : ''}`,
                'data-mark': mark.id,
                ...(isFirst && reached),
              },
              [
                ...rest(axes, shown, mark, isChosen, x, y),
                shape('circle', { key: 'ring', class: 'mark-ring', cx: x, cy: y, r: 5.5 }),
                isChosen && chosen.size === 1 && words(mark, x, y, axes),
              ],
            )
          );
        });
      }),
    };
  },
};

const isIn = (axes: Axes, { time }: Shown): boolean => {
  const x = xOfTime(axes, time);
  return x >= axes.left - 4 && x <= axes.right + 4;
};

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
  const left = x > axes.right - 120 ? x - 10 - width : x + 10;
  const top = y - 28 < axes.top ? y + 12 : y - 28;
  return group({ key: 'words', class: 'mark-label', transform: `translate(${left} ${top})` }, [
    shape('rect', { width, height: 18, rx: 3 }),
    shape('text', { x: 7, y: 13 }, text),
  ]);
}
