import {
  secondsPerPx,
  setKeyValue,
  shiftKeys,
  type Key,
  type KeyChannel,
  type Rider,
  type Scene,
  type Side,
} from '@pace-line/core';
import { selectRider, toggled, type Gesture } from '../../../document/index.ts';
import { CHANNELS } from '../../../words/channels.ts';
import type { SheetHost, SheetPointer } from '../host.ts';
import { DRAG_FROM, onFrame, type SheetDrag } from './grab.ts';

/** Least and greatest value that a hand gives where the channel has no bounds of its own. */
const FARTHEST = 1e6;

/** A key's value with the hand's way added: both scales together, of a stretch the stretch alone. */
export function raisedValue(channel: KeyChannel, value: Key['value'], px: number): Key['value'] {
  // A px of the hand's way up is one of what is shown.
  const [{ factor, min = -FARTHEST, max = FARTHEST }] = CHANNELS[channel].numbers;
  const raised = (one: number): number =>
    Math.round(Math.min(max / factor, Math.max(min / factor, one + px / factor)) * 1e6) / 1e6;
  if (typeof value === 'number') return raised(value);
  const [a, b] = value;
  return [raised(a), channel === 'scale' ? raised(b) : b];
}

export interface KeyHit {
  readonly rider: Rider;
  readonly channel: KeyChannel;
  readonly key: Key;
  /** Local time runs backward where it was pressed. */
  readonly direction: Side;
}

type Host = Pick<SheetHost, 'scene' | 'axes' | 'selection' | 'begin' | 'select'>;

/** Drags selected keys together in time, the pressed one's value as well; a press without a drag selects one, with Shift adds it or takes it out. Shift keeps one direction. */
export function grabKey(host: Host, { rider, channel, key, direction }: KeyHit, pressed: SheetPointer): SheetDrag {
  const before = host.selection().riders[0] === rider.id ? host.selection().keys : [];
  const isIn = before.includes(key.id);
  const keys = pressed.shift ? toggled(before, key.id) : isIn ? before : [key.id];
  host.select({ ...selectRider(rider.id), keys });
  const moving = keys.includes(key.id) ? keys : [key.id];
  let gesture: Gesture | undefined;
  return {
    move(p) {
      const [dx, dy] = [p.x - pressed.x, pressed.y - p.y];
      if (!gesture && Math.hypot(dx, dy) <= DRAG_FROM) return;
      gesture ??= host.begin(moving.length > 1 ? `Move ${moving.length} keyframes` : 'Move keyframe');
      const isAcross = Math.abs(dx) >= Math.abs(dy);
      const time = onFrame(host as SheetHost, key.time + direction * dx * secondsPerPx(host.axes()), p);
      const seconds = p.shift && !isAcross ? 0 : time - key.time;
      const up = Math.abs(dy) <= DRAG_FROM || (p.shift && isAcross) ? 0 : dy;
      gesture.update((base: Scene) => {
        const shifted = shiftKeys(base, { rider: rider.id, keys: moving, seconds });
        if (up === 0) return shifted;
        return setKeyValue(shifted, { rider: rider.id, key: key.id, value: raisedValue(channel, key.value, up) });
      });
    },
    end() {
      if (gesture) return gesture.commit();
      if (!pressed.shift && isIn) host.select({ ...selectRider(rider.id), keys: [key.id] });
    },
    cancel: () => gesture?.cancel(),
  };
}
