import { cycleOf, guideById, KEY_CHANNELS, loopLength, riderById, type Guide, type Rider } from '@pace-line/core';
import { useDocumentState } from '../../document/index.ts';
import { seconds } from '../../words/labels.ts';
import { Card } from './Card.tsx';
import { ChosenKeys } from './keys/ChosenKeys.tsx';
import { LegRows } from './pace/LegRows.tsx';
import { RecipeRows } from './pace/RecipeRows.tsx';
import { ClockRows } from './pace/ClockRows.tsx';
import { CycleRows } from './pace/CycleRows.tsx';
import { DriverRows } from './pace/DriverRows.tsx';
import { MarkRows } from './pace/MarkRows.tsx';
import { MarksRow, SeveralRows, SquashRow } from './pace/MarksRow.tsx';

/** Card 4: the marks of the selected rider, and the clock. */
export function PaceCard() {
  const scene = useDocumentState((state) => state.shown);
  const selection = useDocumentState((state) => state.selection);
  const rider = riderById(scene, selection.riders[0] ?? '');
  const guide = guideById(scene, rider?.guide ?? null);
  const count = rider?.pace.marks.length ?? 0;
  const summary =
    rider && guide
      ? `${count} ${count === 1 ? 'mark' : 'marks'} · ${seconds(cycleOf(rider, scene.clock))}`
      : `${scene.clock.repeat === 'once' ? 'plays' : 'loop of'} ${seconds(loopLength(scene.clock))}`;
  return (
    <Card name="pace" number={4} title="Pace" summary={summary}>
      {rider && selection.keys.length > 0 && <ChosenKeys rider={rider} chosen={selection.keys} />}
      {rider && guide && <PaceRows rider={rider} guide={guide} chosen={selection.marks} />}
      {rider && !guide && hasOwnTime(rider) && <CycleRows rider={rider} />}
      {rider && (guide || hasOwnTime(rider)) && <hr className="card-rule" />}
      <ClockRows />
      <DriverRows />
    </Card>
  );
}

/** Whether a rider without a guide changes in its own time all the same. */
const hasOwnTime = ({ keys, poses }: Rider): boolean =>
  poses.by === 'time' || KEY_CHANNELS.some((channel) => keys[channel].length > 0);

interface PaceRowsProps {
  readonly rider: Rider;
  readonly guide: Guide;
  readonly chosen: readonly string[];
}

function PaceRows({ rider, guide, chosen }: PaceRowsProps) {
  const mark = rider.pace.marks.find((one) => one.id === chosen[0]) ?? rider.pace.marks[0];
  if (!mark) return <p className="card-empty">No marks yet.</p>;
  const isLast = mark === rider.pace.marks.at(-1);
  return (
    <>
      <MarkRows rider={rider} guide={guide} mark={mark} />
      {!isLast && !rider.pace.recipe && (
        <LegRows rider={rider} mark={mark} marks={chosen.length > 1 ? chosen : [mark.id]} />
      )}
      <RecipeRows rider={rider} />
      <MarksRow rider={rider} chosen={chosen.length > 0 ? chosen : [mark.id]} />
      <SquashRow rider={rider} mark={mark.id} />
      <SeveralRows rider={rider} chosen={chosen} />
      <CycleRows rider={rider} />
    </>
  );
}
