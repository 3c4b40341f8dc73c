import { freeId, idsIn, insertMark } from '@pace-line/core';
import { selectRider } from '../../../document/index.ts';
import { wordsOfRefusal } from '../../../words/refusals.ts';
import type { SheetHit } from '../hits.ts';
import type { SheetHost, SheetPointer } from '../host.ts';
import { snappedTime } from '../snap-time.ts';
import { hasMoved, type SheetDrag } from './grab.ts';
import { legAt } from '../../legs.ts';
import { bendLeg } from './shaping.ts';

/** Pressing another rider's line selects it; the selected one's: dragged, its leg is bent there; pressed only, a mark is set. Each is one step of undo. */
export function grabLine(
  host: SheetHost,
  { rider, local, direction }: SheetHit & { kind: 'line' },
  pressed: SheetPointer,
): SheetDrag | undefined {
  if (rider.id !== host.selected()?.id) {
    host.select(selectRider(rider.id));
    return undefined;
  }
  const leg = legAt(host.guide(), rider, local);
  let bending: SheetDrag | undefined;
  return {
    move(p) {
      if (!leg || (!bending && !hasMoved(pressed, p))) return;
      bending ??= bendLeg(host, rider.id, leg, local, direction, pressed);
      bending.move(p);
    },
    end: () => (bending ? bending.end() : setMark(host, rider.id, snappedTime(host, rider, local, pressed))),
    cancel: () => bending?.cancel(),
  };
}

function setMark(host: SheetHost, rider: string, time: number): void {
  const id = freeId(idsIn(host.scene()), `${rider}-m`);
  const args = { rider, time, id };
  const refusal = insertMark.can(host.scene(), args);
  if (refusal) return host.tell(wordsOfRefusal(refusal));
  const gesture = host.begin('Add mark');
  gesture.update((scene) => insertMark(scene, args));
  gesture.commit(selectRider(rider, [id]));
}
