import {
  distancePerPx,
  secondsPerPx,
  shiftMarks,
  snappedDistance,
  type Mark,
  type Rider,
  type Scene,
  type Side,
} from '@pace-line/core';
import { selectRider, toggled, type Gesture } from '../../../document/index.ts';
import { timeOfMark } from '../../mark-time.ts';
import type { SheetHit } from '../hits.ts';
import type { SheetHost, SheetPointer } from '../host.ts';
import { footOfMark } from '../../legs.ts';
import { snappedTime } from '../snap-time.ts';
import { hasMoved, type SheetDrag } from './grab.ts';

/** How far a mark is to move: s of its own cycle, px along the guide. */
export interface MarkShift {
  readonly seconds: number;
  readonly px: number;
}

/**
 * The way of a mark that follows the hand from a press: in time on frames, along the guide to nodes and landmarks; Ctrl holds both off, Shift keeps one direction.
 * `direction` −1: pressed on the way back, where local time runs backward.
 */
export function shiftOfMark(
  host: SheetHost,
  rider: Rider,
  mark: Mark,
  from: SheetPointer,
  to: SheetPointer,
  direction: Side = 1,
): MarkShift {
  const axes = host.axes();
  const guide = host.guide();
  const [dx, dy] = [to.x - from.x, from.y - to.y];
  const isAcross = Math.abs(dx) >= Math.abs(dy);
  const time = mark.time + direction * dx * secondsPerPx(axes);
  const seconds = to.shift && !isAcross ? 0 : snappedTime(host, rider, time, to) - mark.time;
  if (Math.abs(dy) <= 2 || (to.shift && isAcross)) return { seconds, px: 0 };
  const start = footOfMark(guide, rider, mark);
  const wanted = start + dy * distancePerPx(axes);
  // With a lead, what is snapped to is where the rider's foot is.
  const px = (to.ctrl ? wanted : snappedDistance(guide, axes, wanted, host.snapsToLandmarks())) - start;
  return { seconds, px };
}

/** Drags the selected marks together; a press without a drag selects one, with Shift adds it or takes it out. */
export function grabMark(
  host: SheetHost,
  { rider, mark, shown }: SheetHit & { kind: 'mark' },
  pressed: SheetPointer,
): SheetDrag {
  const before = host.selection().marks;
  const isIn = before.includes(mark.id);
  const marks = pressed.shift ? toggled(before, mark.id) : isIn ? before : [mark.id];
  host.select(selectRider(rider.id, marks));
  const moving = marks.includes(mark.id) ? marks : [mark.id];
  let gesture: Gesture | undefined;
  return {
    move(p) {
      if (!gesture && !hasMoved(pressed, p)) return;
      gesture ??= host.begin(moving.length > 1 ? `Move ${moving.length} marks` : 'Move mark');
      const shift = shiftOfMark(host, rider, mark, pressed, p, shown.direction);
      gesture.update((base: Scene) => shiftMarks(base, { rider: rider.id, marks: moving, ...shift }));
    },
    end() {
      if (gesture) return gesture.commit();
      if (pressed.shift) return;
      if (isIn) host.select(selectRider(rider.id, [mark.id]));
      host.goTo(timeOfMark(host.scene(), rider.id, mark.id));
    },
    cancel: () => gesture?.cancel(),
  };
}
