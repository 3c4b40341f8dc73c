import {
  distancePerPx,
  knotsOf,
  prepare,
  secondsPerPx,
  setEase,
  withoutShapingPoint,
  withShapingAt,
  withShapingPoint,
  withShapingSlope,
  type Ease,
  type Scene,
  type Shaped,
  type Side,
} from '@pace-line/core';
import { selectRider, type Gesture } from '../../../document/index.ts';
import type { SheetHit } from '../hits.ts';
import type { SheetHost, SheetPointer } from '../host.ts';
import { legAfter, type Leg } from '../../legs.ts';
import { shapedOf } from '../shaping.ts';
import { hasMoved, type SheetDrag } from './grab.ts';

/** Steepest slope, way over time, that a handle gives. */
const STEEPEST = 100;

/** How far the hand has gone since the press, as shares of a leg's time and way. */
function goneOn(host: SheetHost, { lasts, way }: Leg, from: SheetPointer, to: SheetPointer, direction: Side) {
  const axes = host.axes();
  const [dx, dy] = [to.x - from.x, from.y - to.y];
  const isAcross = Math.abs(dx) >= Math.abs(dy);
  return {
    time: to.shift && !isAcross ? 0 : (direction * dx * secondsPerPx(axes)) / lasts,
    way: to.shift && isAcross ? 0 : (dy * distancePerPx(axes)) / way,
  };
}

const eased =
  (rider: string, mark: string, ease: Ease) =>
  (scene: Scene): Scene =>
    setEase(scene, { rider, marks: [mark], ease });

/** Bends a leg: a shaping point is set where its line is pressed, and follows the hand. */
export function bendLeg(
  host: SheetHost,
  rider: string,
  leg: Leg,
  local: number,
  direction: Side,
  pressed: SheetPointer,
): Pick<SheetDrag, 'move' | 'end' | 'cancel'> {
  const as = prepare(host.scene()).rider(rider)?.line?.easeAfter?.(leg.index);
  const { ease, index } = withShapingPoint(leg.mark.ease, (local - leg.leaves) / leg.lasts, as);
  const point = ease.points[index];
  const gesture = host.begin('Bend leg');
  return {
    move(p) {
      const gone = goneOn(host, leg, pressed, p, direction);
      const bent = withShapingAt(ease, index, (point?.time ?? 0) + gone.time, (point?.way ?? 0) + gone.way);
      gesture.update(eased(rider, leg.mark.id, bent));
    },
    end: () => gesture.commit(selectRider(rider, [leg.mark.id])),
    cancel: () => gesture.cancel(),
  };
}

/** A leg with the slope that a handle has been drawn to. */
function withHandleAt(ease: Shaped, index: number, side: -1 | 1, slope: number): Shaped {
  const held = Math.min(STEEPEST, Math.max(-STEEPEST, slope));
  if (index < 0) return { ...ease, ends: [held, ease.ends[1]] };
  if (index >= ease.points.length) return { ...ease, ends: [ease.ends[0], held] };
  const knot = knotsOf(ease)[index + 1];
  const isSharp = Array.isArray(ease.points[index]?.slope);
  if (!isSharp) return withShapingSlope(ease, index, held);
  return withShapingSlope(ease, index, side < 0 ? [held, knot?.right ?? 1] : [knot?.left ?? 1, held]);
}

/** Drags a shaping point, or a handle of its slope. Pressed without a drag a point becomes sharp, or smooth again; with Shift it is taken away. */
export function grabBead(
  host: SheetHost,
  { rider, bead }: SheetHit & { kind: 'bead' },
  pressed: SheetPointer,
): SheetDrag | undefined {
  const mark = rider.pace.marks.find(({ id }) => id === bead.mark);
  const leg = mark && legAfter(host.guide(), rider, mark);
  const ease = mark && shapedOf(mark);
  if (!mark || !leg || !ease) return undefined;
  if (!host.selection().marks.includes(mark.id)) host.select(selectRider(rider.id, [mark.id]));
  const point = ease.points[bead.index];
  const knot = knotsOf(ease)[bead.index + 1];
  let gesture: Gesture | undefined;
  const change = (label: string, next: Shaped): void => {
    gesture ??= host.begin(label);
    gesture.update(eased(rider.id, mark.id, next));
  };
  return {
    move(p) {
      if (!gesture && !hasMoved(pressed, p)) return;
      const gone = goneOn(host, leg, pressed, p, bead.shown.direction);
      if (bead.side === null)
        return change(
          'Move a shaping point',
          withShapingAt(ease, bead.index, (point?.time ?? 0) + gone.time, (point?.way ?? 0) + gone.way),
        );
      // From the point to the hand; the handle's own reach is kept where the hand goes past the point.
      const other = knotsOf(ease)[bead.index + 1 + bead.side];
      const reach = ((other?.time ?? 0) - (knot?.time ?? 0)) / 3;
      const slope = bead.side < 0 ? (knot?.left ?? 0) : (knot?.right ?? 0);
      const time = bead.side * Math.max(1e-3, bead.side * (reach + gone.time));
      change('Rotate a shaping point', withHandleAt(ease, bead.index, bead.side, (slope * reach + gone.way) / time));
    },
    end() {
      if (gesture) return gesture.commit();
      if (bead.side !== null || !point) return;
      const [label, next] = pressed.shift
        ? (['Remove a shaping point', withoutShapingPoint(ease, bead.index)] as const)
        : bead.isSharp
          ? (['Make a shaping point smooth', withShapingSlope(ease, bead.index, null)] as const)
          : ([
              'Make a shaping point sharp',
              withShapingSlope(ease, bead.index, [knot?.left ?? 1, knot?.right ?? 1]),
            ] as const);
      const made = host.begin(label);
      made.update(eased(rider.id, mark.id, next));
      made.commit();
    },
    cancel: () => gesture?.cancel(),
  };
}
