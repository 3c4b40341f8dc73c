import {
  cycleOf,
  foldTime,
  motionAsSet,
  prepare,
  setEase,
  setLegSpeed,
  withShapingPoint,
  withShapingSlope,
  type Ease,
  type Rider,
  type Scene,
  type Side,
} from '@pace-line/core';
import { selectRider, type Gesture } from '../../../document/index.ts';
import { wordsOfRefusal } from '../../../words/refusals.ts';
import { legAt, type Leg } from '../../legs.ts';
import type { SheetHit } from '../hits.ts';
import type { SheetHost, SheetPointer } from '../host.ts';
import { ribbonAt } from '../ribbon.ts';
import { hasMoved, type SheetDrag } from './grab.ts';

/** px/s below which a leg is not slowed: it would never arrive. */
const SLOWEST = 1;

/**
 * Draws the strip of speed up or down: the rider has that speed where it was pressed. A leg that keeps its duration is bent there, and slower elsewhere for it; else the whole
 * leg runs faster or slower, and what comes after it follows, as far as the cycle has room.
 */
export function grabSpeed(
  host: SheetHost,
  { rider }: SheetHit & { kind: 'speed' },
  pressed: SheetPointer,
): SheetDrag | undefined {
  const moving = motionAsSet(host.scene(), rider.id);
  if (!moving) return undefined;
  const { perPx, time } = ribbonAt(moving, host.axes(), pressed.x);
  const { local, direction } = foldTime(time, moving.folding);
  const leg = legAt(host.guide(), rider, local);
  const was = moving.speedAt(time);
  const made = leg && (host.keepsDuration() ? bent(host, rider, leg, local, direction) : run(host, rider, leg, was));
  let gesture: Gesture | undefined;
  let isShort = false;
  return {
    move(p) {
      if (!gesture && !hasMoved(pressed, p)) return;
      if (!made) return;
      gesture ??= host.begin(host.keepsDuration() ? 'Bend leg' : 'Change speed of a leg');
      const { edit, isHeld } = made(was + (pressed.y - p.y) * perPx);
      isShort = isHeld;
      gesture.update(edit);
    },
    end() {
      if (gesture && leg) gesture.commit(selectRider(rider.id, [leg.mark.id]));
      if (isShort)
        host.tell(
          'It is as slow as the cycle has room for. To go slower, lengthen the cycle or keep the leg’s duration.',
        );
      if (!made) host.tell(whyNot(rider));
    },
    cancel: () => gesture?.cancel(),
  };
}

/** A speed at the place that was pressed, px/s, as an edit; and whether it is held back for lack of room. */
type Sped = (speed: number) => { readonly edit: (scene: Scene) => Scene; readonly isHeld: boolean };

function bent(host: SheetHost, rider: Rider, leg: Leg, local: number, direction: Side): Sped {
  const as = prepare(host.scene()).rider(rider.id)?.line?.easeAfter?.(leg.index);
  const { ease, index } = withShapingPoint(leg.mark.ease, (local - leg.leaves) / leg.lasts, as);
  return (speed) => {
    const next: Ease = withShapingSlope(ease, index, (direction * speed * leg.lasts) / leg.way);
    return { edit: (scene) => setEase(scene, { rider: rider.id, marks: [leg.mark.id], ease: next }), isHeld: false };
  };
}

function run(host: SheetHost, rider: Rider, leg: Leg, was: number): Sped {
  const last = rider.pace.marks.at(-1);
  const room = cycleOf(rider, host.scene().clock) - (last ? last.time + last.dwell : 0);
  const way = Math.abs(leg.way);
  const slowest = way / (leg.lasts + Math.max(0, room));
  return (speed) => {
    // Where it stands still, the hand's speed is that of the leg as a whole.
    const mean = Math.abs(was) > SLOWEST ? (way / leg.lasts) * Math.max(0, speed / was) : Math.abs(speed);
    const held = Math.max(SLOWEST, slowest, mean);
    const args = { rider: rider.id, mark: leg.mark.id, speed: held };
    return { edit: (scene) => setLegSpeed(scene, args), isHeld: held > mean };
  };
}

const whyNot = (rider: Rider): string =>
  rider.pace.recipe
    ? wordsOfRefusal({ code: 'paced-by-recipe', data: {} })
    : 'It rests there: drag the strip where it moves, or shorten the rest.';
