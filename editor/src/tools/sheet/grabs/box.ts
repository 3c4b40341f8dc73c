import { foldingOf, prepare, shownCopies, xOfTime, yOfDistance } from '@pace-line/core';
import { selectRider } from '../../../document/index.ts';
import { footOfMark } from '../../legs.ts';
import type { SheetHost, SheetPointer } from '../host.ts';
import { hasMoved, type SheetDrag } from './grab.ts';

/** Drags a box over empty paper: the selected rider's marks in it are selected, with Shift added. A press without a drag selects none. */
export function grabPaper(host: SheetHost, pressed: SheetPointer): SheetDrag {
  let last: SheetPointer | undefined;
  const rider = host.selected();
  return {
    move(p) {
      if (!last && !hasMoved(pressed, p)) return;
      last = p;
      host.preview({ kind: 'box', x0: pressed.x, y0: pressed.y, x1: p.x, y1: p.y });
    },
    end() {
      host.preview(null);
      if (!rider) return;
      const found = last ? marksIn(host, pressed, last) : [];
      const kept = last?.shift ? host.selection().marks : [];
      host.select(selectRider(rider.id, [...new Set([...kept, ...found])]));
    },
    cancel: () => host.preview(null),
  };
}

function marksIn(host: SheetHost, a: SheetPointer, b: SheetPointer): string[] {
  const rider = host.selected();
  if (!rider) return [];
  const axes = host.axes();
  const length = prepare(host.scene()).length;
  const folding = foldingOf(rider, host.scene().clock);
  const [left, right] = [Math.min(a.x, b.x), Math.max(a.x, b.x)];
  const [top, bottom] = [Math.min(a.y, b.y), Math.max(a.y, b.y)];
  return rider.pace.marks
    .filter((mark) => {
      const y = yOfDistance(axes, footOfMark(host.guide(), rider, mark));
      const xs = shownCopies(folding, mark.time, length).map(({ time }) => xOfTime(axes, time));
      return y >= top && y <= bottom && xs.some((x) => x >= left && x <= right);
    })
    .map((mark) => mark.id);
}
