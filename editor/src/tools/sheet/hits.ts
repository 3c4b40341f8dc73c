import {
  foldingOf,
  foldTime,
  gapToLine,
  motionAsSet,
  prepare,
  shownCopies,
  timeAtX,
  xOfTime,
  yOfDistance,
  type Axes,
  type Mark,
  type Rider,
  type Scene,
  type Shown,
  type Side,
} from '@pace-line/core';
import { footOfMark } from '../legs.ts';
import { beadsOf, type Bead } from './shaping.ts';
import { isInRibbon } from './ribbon.ts';
import { STRIP_HEIGHT, type SheetHost, type SheetPointer } from './host.ts';

/** What lies under a pointer on the sheet. */
export type SheetHit =
  | { readonly kind: 'strip' }
  /** A mark of the selected rider, or the end of its rest, as it was pressed: on the way there or back. */
  | { readonly kind: 'mark'; readonly rider: Rider; readonly mark: Mark; readonly shown: Shown }
  | { readonly kind: 'rest'; readonly rider: Rider; readonly mark: Mark; readonly shown: Shown }
  /** A shaping point of one of its legs, or a handle of its slope. */
  | { readonly kind: 'bead'; readonly rider: Rider; readonly bead: Bead }
  /** The strip of speed under the chart. */
  | { readonly kind: 'speed'; readonly rider: Rider }
  | {
      readonly kind: 'line';
      readonly rider: Rider;
      /** The time of the loop, the local time, and whether that runs forward there. */
      readonly time: number;
      readonly local: number;
      readonly direction: Side;
      readonly distance: number;
    };

/** px within which a mark, a rest's end or a line is taken. */
const REACH = { mouse: 9, pen: 9, touch: 18 } as const;

/** Where the handle at a rest's end stands, px: at the end, but never on the mark; on the way back left of it. */
export function restHandleX(axes: Axes, { time, direction }: Shown, mark: Mark): number {
  const x = xOfTime(axes, time);
  const reach = Math.abs(xOfTime(axes, time + mark.dwell) - x);
  return x + direction * Math.max(reach, mark.dwell > 0 ? 12 : 16);
}

/** What is under the pointer: the strip, else the nearest of the selected rider's marks, rests and shaping points, else a line, the selected rider's first. */
export function sheetHitAt(host: SheetHost, { x, y, kind }: SheetPointer): SheetHit | undefined {
  if (y < STRIP_HEIGHT) return { kind: 'strip' };
  const reach = REACH[kind];
  const axes = host.axes();
  const selected = host.selected();
  const near = selected && (nearestHandle(host, selected, x, y, reach) ?? restAt(host, selected, x, y, reach));
  if (near) return near;
  if (selected && isInRibbon(axes, x, y)) return { kind: 'speed', rider: selected };
  if (x < axes.left || x > axes.right || y < axes.top - reach || y > axes.bottom + reach) return undefined;
  const inOrder = [...host.riders()].sort((a, b) => Number(b === selected) - Number(a === selected));
  return lineAt(host.scene(), inOrder, axes, x, y, reach);
}

function nearestHandle(host: SheetHost, rider: Rider, x: number, y: number, reach: number): SheetHit | undefined {
  const axes = host.axes();
  const chosen = host.selection().marks;
  const folding = foldingOf(rider, host.scene().clock);
  const length = prepare(host.scene()).length;
  let best: SheetHit | undefined;
  let least = reach;
  const consider = (hit: SheetHit, hx: number, hy: number): void => {
    const gap = Math.hypot(hx - x, hy - y);
    if (gap > least || (gap === least && best)) return;
    least = gap;
    best = hit;
  };
  for (const mark of rider.pace.marks) {
    const hy = yOfDistance(axes, footOfMark(host.guide(), rider, mark));
    for (const shown of shownCopies(folding, mark.time, length)) {
      consider({ kind: 'mark', rider, mark, shown }, xOfTime(axes, shown.time), hy);
      if (mark.dwell > 0 || chosen.includes(mark.id))
        consider({ kind: 'rest', rider, mark, shown }, restHandleX(axes, shown, mark), hy);
    }
  }
  // Of a mark and a bead at one place the mark is taken.
  if (least > 0)
    for (const bead of beadsOf(host.scene(), host.guide(), rider, axes, chosen))
      consider({ kind: 'bead', rider, bead }, bead.x, bead.y);
  return best;
}

/** The rest whose bar lies under the pointer: it is its mark that is taken. */
function restAt(host: SheetHost, rider: Rider, x: number, y: number, reach: number): SheetHit | undefined {
  const axes = host.axes();
  const folding = foldingOf(rider, host.scene().clock);
  const length = prepare(host.scene()).length;
  for (const mark of rider.pace.marks) {
    if (mark.dwell <= 0 || Math.abs(yOfDistance(axes, footOfMark(host.guide(), rider, mark)) - y) > reach) continue;
    for (const shown of shownCopies(folding, mark.time, length)) {
      const ends = [xOfTime(axes, shown.time), xOfTime(axes, shown.time + shown.direction * mark.dwell)];
      if (x >= Math.min(...ends) && x <= Math.max(...ends)) return { kind: 'mark', rider, mark, shown };
    }
  }
  return undefined;
}

function lineAt(
  scene: Scene,
  riders: readonly Rider[],
  axes: Axes,
  x: number,
  y: number,
  reach: number,
): SheetHit | undefined {
  const time = timeAtX(axes, x);
  for (const rider of riders) {
    const moving = motionAsSet(scene, rider.id);
    if (!moving?.line) continue;
    const { gap, distance } = gapToLine(moving, axes, time, y);
    if (gap > reach) continue;
    const { local, direction } = foldTime(time, moving.folding);
    return { kind: 'line', rider, time, local, direction, distance };
  }
  return undefined;
}
