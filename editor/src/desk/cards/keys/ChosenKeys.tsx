import { setKeyEase, shiftKeys, KEY_CHANNELS, type Key, type Rider } from '@pace-line/core';
import { useDocumentState } from '../../../document/index.ts';
import { NumberField, secondsAt } from '../../../fields/index.ts';
import { perform } from '../../actions/change.ts';
import { useDesk } from '../../context.ts';
import { Row } from '../Card.tsx';
import { EaseField } from '../../ease/EaseField.tsx';
import { TieRows } from './TieRows.tsx';

/** The selected keys: when the first is, the ease with which they are left, and the mark that they go with. */
export function ChosenKeys({ rider, chosen }: { rider: Rider; chosen: readonly string[] }) {
  const desk = useDesk();
  const { fps } = useDocumentState((state) => state.shown.clock);
  const all = KEY_CHANNELS.flatMap((channel) => rider.keys[channel] as readonly Key[]);
  const first = all.find((key) => key.id === chosen[0]);
  if (!first) return null;
  const keys = { rider: rider.id, keys: chosen };
  return (
    <>
      <Row of="pace.key" label={chosen.length > 1 ? `${chosen.length} keyframes` : undefined}>
        <NumberField
          label="Time of the keyframe"
          value={first.time}
          unit="s"
          units={secondsAt(fps)}
          step={1 / fps}
          digits={3}
          min={0}
          onCommit={(time) => perform(desk, 'Move keyframe', shiftKeys, { ...keys, seconds: time - first.time })}
        />
        <EaseField
          label="Easing after the keyframe"
          ease={first.ease}
          lasts={lastsAfter(rider, first)}
          edit={(scene, ease) => setKeyEase(scene, { ...keys, ease })}
        />
      </Row>
      <TieRows rider={rider} keys={chosen} first={first} />
      <hr className="card-rule" />
    </>
  );
}

/** s from a key to the next one of its channel. */
function lastsAfter(rider: Rider, key: Key): number {
  const list = KEY_CHANNELS.map((channel) => rider.keys[channel] as readonly Key[]).find((one) => one.includes(key));
  const next = list?.[list.indexOf(key) + 1];
  return next ? next.time - key.time : 1;
}
