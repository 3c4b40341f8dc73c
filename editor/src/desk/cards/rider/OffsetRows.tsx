import { pathOfGuide, prepare, riderById, setRider, whipOf, type Guide, type Rider } from '@pace-line/core';
import { useDocumentState } from '../../../document/index.ts';
import { NumberField, PX } from '../../../fields/index.ts';
import { change } from '../../actions/change.ts';
import { useDesk } from '../../context.ts';
import { useLive } from '../../live.tsx';
import { useDeskView } from '../../view.ts';
import { Row } from '../Card.tsx';
import { PointFields } from '../PointFields.tsx';
import { ChoiceRow, NumberRow } from '../rows.tsx';

/** How far a rider is from its guide: lift across it and lead along it; in the opened card also where lift goes, and what is beside all that. */
export function OffsetRows({ rider, guide }: { rider: Rider; guide: Guide }) {
  const desk = useDesk();
  const isOpen = useDeskView((state) => state.openCard === 'rider');
  const patch = (label: string, next: Parameters<typeof setRider>[1]['patch']): void =>
    change(desk, label, (scene) => setRider(scene, { id: rider.id, patch: next }));
  const liveLift = useLive(({ scene }) => riderById(scene, rider.id)?.lift);
  const liveLead = useLive(({ scene }) => riderById(scene, rider.id)?.lead);
  return (
    <>
      <Row label="Lift, lead">
        <NumberField
          label="Lift"
          value={rider.lift}
          live={liveLift}
          unit="px"
          units={PX}
          onCommit={(lift) => patch('Set lift', { lift })}
        />
        <NumberField
          label="Lead"
          value={rider.lead}
          live={liveLead}
          unit="px"
          units={PX}
          onCommit={(lead) => patch('Set lead', { lead })}
        />
      </Row>
      <WhipNote rider={rider} guide={guide} />
      {isOpen && rider.roll === null && (
        <ChoiceRow
          label="Lift direction"
          value={rider.liftBy}
          options={[
            ['normal', 'across guide'],
            ['up', 'up'],
            ['rounded', 'rounded'],
          ]}
          title="Across the guide it turns with every bend; up it is the same everywhere; rounded it follows the guide’s direction averaged over a stretch."
          onChange={(liftBy) => patch('Set lift direction', { liftBy })}
        />
      )}
      {isOpen && rider.roll === null && rider.liftBy === 'rounded' && (
        <NumberRow
          label="Rounded over"
          value={rider.rounding}
          unit="px"
          units={PX}
          digits={0}
          min={0}
          max={100_000}
          onCommit={(rounding) => patch('Round the lift', { rounding })}
        />
      )}
      {isOpen && (
        <Row label="Fixed offset">
          <PointFields
            label="Fixed offset"
            point={rider.shift}
            live={({ scene }) => riderById(scene, rider.id)?.shift}
            onCommit={(shift) => patch('Set fixed offset', { shift })}
          />
        </Row>
      )}
    </>
  );
}

/** Says where a lift is greater than the radius of a bend. */
function WhipNote({ rider, guide }: { rider: Rider; guide: Guide }) {
  const scene = useDocumentState((state) => state.shown);
  const moving = prepare(scene).rider(rider.id);
  if (rider.liftBy !== 'normal' || rider.roll || !moving?.line) return null;
  const path = pathOfGuide(guide);
  const lifts = [rider.lift, ...rider.keys.lift.map(({ value }) => rider.lift + value)];
  const [low, high] = moving.line.range();
  const [from, to] = path.isClosed && high - low >= path.length ? [0, path.length] : [low, high];
  const whips = [Math.max(...lifts), Math.min(...lifts)].flatMap((lift) => whipOf(path, lift, from, to) ?? []);
  const whip = whips.sort((a, b) => a.radius - b.radius)[0];
  if (!whip) return null;
  const bend = whip.radius === 0 ? 'the corner' : `the bend of radius ${Math.round(whip.radius)} px`;
  return (
    <p className="card-note">
      On the inner side of {bend} at {Math.round(whip.distance)} px this lift is too large: it runs backward there.
      Lifted up it does not, nor rounded over a long stretch.
    </p>
  );
}
