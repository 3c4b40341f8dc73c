import { artById, radiusOf, transformGuides, type Rider, type Roll } from '@pace-line/core';
import { useDocumentState } from '../../../document/index.ts';
import { PX } from '../../../fields/index.ts';
import { perform } from '../../actions/change.ts';
import { useDesk } from '../../context.ts';
import { ChoiceRow, NumberRow } from '../rows.tsx';
import { usePatchOf } from './use-patch.ts';
import { closingLength, closingRadius, turnsOf } from './roll-turns.ts';

export const FIRST_ROLL: Roll = { radius: null, guide: 'ground', side: 'left' };

/** Spin without slip: its radius, what the guide is, and how many turns that makes. */
export function RollRows({ rider, roll }: { rider: Rider; roll: Roll }) {
  const scene = useDocumentState((state) => state.shown);
  const set = usePatchOf(rider, 'roll');
  const radius = radiusOf(rider, artById(scene, rider.art));
  return (
    <>
      <NumberRow
        of="rider.roll.radius"
        name="Rolling radius"
        value={radius}
        unit="px"
        units={PX}
        min={0.1}
        max={1e6}
        onCommit={(next) => set('Set radius', { radius: next })}
      >
        {roll.radius !== null && (
          <button
            type="button"
            className="small-button"
            title="The radius of its art, as large as it is scaled"
            onClick={() => set('Radius of the art', { radius: null })}
          >
            Of the art
          </button>
        )}
      </NumberRow>
      <ChoiceRow
        of="rider.roll.guide"
        value={roll.guide}
        options={[
          ['ground', 'ground'],
          ['centre', 'path of its centre'],
        ]}
        onChange={(of) => set('Change what the guide is', { guide: of })}
      />
      <ChoiceRow
        of="rider.roll.side"
        value={roll.side}
        options={[
          ['left', 'left'],
          ['right', 'right'],
        ]}
        onChange={(side) => set('Set side', { side })}
      />
      <Turns rider={rider} radius={radius} onRadius={(next) => set('Whole turns', { radius: next })} />
    </>
  );
}

interface TurnsProps {
  readonly rider: Rider;
  readonly radius: number;
  readonly onRadius: (radius: number) => void;
}

/** How often it turns in its cycle; where that is not a whole number of times, the radius that makes it so. */
function Turns({ rider, radius, onRadius }: TurnsProps) {
  const desk = useDesk();
  const scene = useDocumentState((state) => state.shown);
  const turns = turnsOf(scene, rider.id);
  if (turns === undefined) return null;
  const closing = closingRadius(scene, rider, radius);
  const longer = closingLength(scene, rider);
  return (
    <p className="card-note">
      {Math.abs(turns).toFixed(2)} turns in its cycle.{' '}
      {closing !== undefined && (
        <button type="button" className="small-button" onClick={() => onRadius(closing.radius)}>
          Whole turns: use {closing.radius.toFixed(2)} px ({closing.turns})
        </button>
      )}{' '}
      {longer !== undefined && rider.guide !== null && (
        <button
          type="button"
          className="small-button"
          title="The guide is scaled about its middle; marks stay where they are on it"
          onClick={() =>
            perform(desk, 'Whole turns', transformGuides, { ids: [rider.guide ?? ''], matrix: longer.matrix })
          }
        >
          {longer.turns} turns: make the guide {Math.abs((longer.factor - 1) * 100).toFixed(2)}%{' '}
          {longer.factor > 1 ? 'longer' : 'shorter'}
        </button>
      )}
    </p>
  );
}
