import { setKeyEase, shiftKeys, tieKeys, KEY_CHANNELS, type Key, type Rider } from '@pace-line/core';
import { useCalmState } from '../../../document/index.ts';
import { ChoiceField, NumberField, secondsAt } from '../../../fields/index.ts';
import { perform } from '../../actions/change.ts';
import { useDesk } from '../../context.ts';
import { seconds } from '../../labels.ts';
import { Row } from '../Card.tsx';
import { EaseField } from '../../ease/EaseField.tsx';

const FREE = '·free';

/** The selected keys: when the first is, the ease with which they are left, and the mark that they go with. */
export function ChosenKeys({ rider, chosen }: { rider: Rider; chosen: readonly string[] }) {
  const desk = useDesk();
  const { fps } = useCalmState((state) => state.shown.clock);
  const all = KEY_CHANNELS.flatMap((channel) => rider.keys[channel] as readonly Key[]);
  const first = all.find((key) => key.id === chosen[0]);
  if (!first) return null;
  const keys = { rider: rider.id, keys: chosen };
  return (
    <>
      <Row label={chosen.length > 1 ? `${chosen.length} keys at` : 'Key at'}>
        <NumberField
          label="Time of the key"
          value={first.time}
          unit="s"
          units={secondsAt(fps)}
          step={1 / fps}
          digits={3}
          min={0}
          onCommit={(time) => perform(desk, 'Move key', shiftKeys, { ...keys, seconds: time - first.time })}
        />
        <EaseField
          label="Ease after the key"
          ease={first.ease}
          lasts={lastsAfter(rider, first)}
          edit={(scene, ease) => setKeyEase(scene, { ...keys, ease })}
        />
      </Row>
      {rider.pace.marks.length > 0 && (
        <Row label="Goes with">
          <ChoiceField
            label="Mark that the key goes with"
            value={first.mark ?? FREE}
            data={[
              { value: FREE, label: 'no mark' },
              ...rider.pace.marks.map((mark, i) => ({ value: mark.id, label: `mark ${i + 1}, ${seconds(mark.time)}` })),
            ]}
            onChange={(value) =>
              perform(desk, value === FREE ? 'Untie key' : 'Tie key to a mark', tieKeys, {
                ...keys,
                mark: value === FREE ? null : value,
              })
            }
          />
        </Row>
      )}
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
