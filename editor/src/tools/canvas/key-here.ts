import {
  countedIds,
  localAt,
  keyValueAt,
  setKey,
  type Key,
  type KeyChannel,
  type Rider,
  type Scene,
} from '@pace-line/core';
import type { ToolHost } from '../tool.ts';

/** Sets a key of a channel at the playhead from the value that is there. */
export function keyHere<C extends KeyChannel>(
  host: Pick<ToolHost, 'time'>,
  base: Scene,
  rider: Rider,
  channel: C,
  change: (value: Key<C>['value']) => Key<C>['value'],
): Scene {
  const local = localAt(base, rider, host.time());
  const next = countedIds(base, `${rider.id}-${channel}-`);
  const ids = [next(), next(), next()] as const;
  const value = change(keyValueAt(rider.keys, channel, local));
  return setKey(base, { rider: rider.id, channel, time: local, value, ids });
}
