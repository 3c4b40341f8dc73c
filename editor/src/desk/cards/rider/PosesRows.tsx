import { posesOf, stridesOf, type Art, type Rider, type RiderPoses, type Scene } from '@pace-line/core';
import { useDocumentState } from '../../../document/index.ts';
import { ChoiceField, PX, type Units } from '../../../fields/index.ts';
import { Row } from '../Card.tsx';
import { ChoiceRow, NumberRow } from '../rows.tsx';
import { usePatchOf } from './use-patch.ts';

const PLAIN: Units = { '': 1 };

/** Which of its poses a rider shows: one, by time, along the guide with a stride, or through once from a mark on. */
export function PosesRows({ rider, art }: { rider: Rider; art: Art }) {
  const scene = useDocumentState((state) => state.shown);
  const count = posesOf(art);
  const { poses } = rider;
  const set = usePatchOf(rider, 'poses');
  const firstMark = rider.pace.marks[0];
  return (
    <>
      <ChoiceRow
        of="rider.poses"
        value={poses.by}
        options={[
          ['still', 'still'],
          ['time', 'by time'],
          ['distance', 'by distance'],
          ['mark', 'from a mark'],
        ]}
        onChange={(by) =>
          set('Set poses', {
            by,
            mark: poses.mark ?? (firstMark ? { rider: rider.id, mark: firstMark.id } : null),
          })
        }
      />
      <NumberRow
        of="rider.pose"
        label={poses.by === 'still' ? 'Pose' : undefined}
        value={poses.first}
        unit=""
        units={PLAIN}
        digits={0}
        min={1}
        max={count}
        onCommit={(first) => set('Set pose', { first: Math.round(first) })}
      >
        <span className="card-note">of {count}</span>
      </NumberRow>
      {(poses.by === 'time' || poses.by === 'mark') && (
        <NumberRow
          of="rider.poses.rate"
          name="Poses a second"
          value={poses.rate}
          unit=""
          units={PLAIN}
          digits={2}
          min={0.01}
          max={240}
          onCommit={(rate) => set('Set poses a second', { rate })}
        />
      )}
      {poses.by === 'distance' && <StrideRow scene={scene} rider={rider} set={set} />}
      {poses.by === 'mark' && <MarkRows scene={scene} poses={poses} set={set} />}
    </>
  );
}

type Set = (label: string, patch: Partial<RiderPoses>) => void;

function StrideRow({ scene, rider, set }: { scene: Scene; rider: Rider; set: Set }) {
  const { rounds, stride } = stridesOf(scene, rider);
  return (
    <>
      <NumberRow
        of="rider.stride"
        value={rider.poses.stride}
        unit="px"
        units={PX}
        min={0.1}
        max={1e6}
        onCommit={(value) => set('Set stride', { stride: value })}
      />
      {rider.guide !== null && (
        <p className="card-note">
          {rounds.toFixed(2)} strides in its cycle.{' '}
          {stride !== undefined && (
            <button type="button" className="small-button" onClick={() => set('Use whole strides', { stride })}>
              Whole strides: use {stride.toFixed(2)} px ({Math.max(1, Math.round(rounds))})
            </button>
          )}
        </p>
      )}
    </>
  );
}

function MarkRows({ scene, poses, set }: { scene: Scene; poses: RiderPoses; set: Set }) {
  const all = scene.riders.flatMap(({ id, name, pace }) =>
    pace.marks.map((mark, i) => ({
      value: `${id} ${mark.id}`,
      label: `${name}, mark ${i + 1} (${mark.time.toFixed(2)} s)`,
    })),
  );
  const value = poses.mark ? `${poses.mark.rider} ${poses.mark.mark}` : '';
  return (
    <>
      <Row of="rider.poses.mark">
        <ChoiceField
          label="Mark that the poses begin at"
          searchable
          value={value}
          data={value ? all : [{ value: '', label: 'none' }, ...all]}
          onChange={(chosen) => {
            const [rider, mark] = chosen.split(' ');
            if (rider && mark) set('Set mark of poses', { mark: { rider, mark } });
          }}
        />
      </Row>
      <ChoiceRow
        of="rider.poses.around"
        value={poses.around}
        options={[
          ['ends', 'first and last'],
          ['hidden', 'nothing'],
        ]}
        onChange={(around) => set('Change before and after', { around })}
      />
    </>
  );
}
