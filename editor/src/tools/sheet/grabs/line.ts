import { freeId, idsIn, insertMark, riderById, shiftMarks, type Scene } from '@pace-line/core';
import { selectRider } from '../../../document/index.ts';
import { wordsOfRefusal } from '../../../words/refusals.ts';
import type { SheetHit } from '../hits.ts';
import type { SheetHost, SheetPointer } from '../host.ts';
import { hasMoved, onFrame, type SheetDrag } from './grab.ts';
import { shiftOfMark } from './mark.ts';

/** Pressing another rider's line selects it; pressing the selected one's sets a mark there, which follows the hand: one step of undo. */
export function grabLine(
  host: SheetHost,
  { rider, local, direction }: SheetHit & { kind: 'line' },
  pressed: SheetPointer,
): SheetDrag | undefined {
  if (rider.id !== host.selected()?.id) {
    host.select(selectRider(rider.id));
    return undefined;
  }
  const id = freeId(idsIn(host.scene()), `${rider.id}-m`);
  const args = { rider: rider.id, time: onFrame(host, local, pressed), id };
  const refusal = insertMark.can(host.scene(), args);
  if (refusal) {
    host.tell(wordsOfRefusal(refusal));
    return undefined;
  }
  const inserted = (base: Scene): Scene => insertMark(base, args);
  const made = riderById(inserted(host.scene()), rider.id);
  const mark = made?.pace.marks.find((one) => one.id === id);
  if (!made || !mark) return undefined;
  const gesture = host.begin('Add mark');
  gesture.update(inserted);
  return {
    move(p) {
      if (!hasMoved(pressed, p)) return;
      const shift = shiftOfMark(host, made, mark, pressed, p, direction);
      gesture.update((base) => shiftMarks(inserted(base), { rider: rider.id, marks: [id], ...shift }));
    },
    end: () => gesture.commit(selectRider(rider.id, [id])),
    cancel: () => gesture.cancel(),
  };
}
