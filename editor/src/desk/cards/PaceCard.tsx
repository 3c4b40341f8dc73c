import { cycleOf, guideById, riderById, type Guide, type Mark, type Rider } from '@pace-line/core';
import { useDocumentState } from '../../document/index.ts';
import { seconds } from '../../words/labels.ts';
import { Card } from './Card.tsx';
import { Groups } from './groups/Groups.tsx';
import { ChosenKeys } from './keys/ChosenKeys.tsx';
import { DelayRow } from './pace/CycleRows.tsx';
import { hasOwnTime, PACE_GROUPS } from './pace/groups.tsx';
import { LegRows } from './pace/LegRows.tsx';
import { MarkRows } from './pace/MarkRows.tsx';
import { MarksRow } from './pace/MarksRow.tsx';
import { RecipeRows } from './pace/RecipeRows.tsx';
import { useMarkHere } from './pace/use-mark-here.ts';

/** Card 4: when the selected rider is where. */
export function PaceCard() {
  const scene = useDocumentState((state) => state.shown);
  const selection = useDocumentState((state) => state.selection);
  const rider = riderById(scene, selection.riders[0] ?? '');
  const guide = guideById(scene, rider?.guide ?? null);
  const here = useMarkHere(rider?.id);
  const hasKeys = rider !== undefined && selection.keys.length > 0;
  if (!rider || !(hasKeys || hasOwnTime(rider)))
    return (
      <Card name="pace" number={4} title="Pace" summary="" isEmpty>
        <p className="card-empty">
          {rider
            ? 'This rider has no guide and no keyframes, so it does not move.'
            : 'Select a rider to say when it is where.'}
        </p>
      </Card>
    );
  const { marks } = rider.pace;
  // The one that is chosen, or the one that the playhead is at.
  const mark =
    guide && (marks.find((one) => one.id === selection.marks[0]) ?? marks.find((one) => one.id === here) ?? marks[0]);
  const length = seconds(cycleOf(rider, scene.clock));
  const summary = mark && guide ? `mark ${marks.indexOf(mark) + 1} of ${marks.length} · ${length}` : length;
  return (
    <Card
      name="pace"
      number={4}
      title="Pace"
      summary={summary}
      isBusy={selection.marks.length > 0 || hasKeys}
      groups={
        <Groups
          of={rider.id}
          name={`the pace of ${rider.name}`}
          on={{ rider, chosen: selection.marks, mark: mark?.id }}
          groups={PACE_GROUPS}
        />
      }
    >
      {hasKeys && <ChosenKeys rider={rider} chosen={selection.keys} />}
      {mark && guide && <PaceRows rider={rider} guide={guide} mark={mark} chosen={selection.marks} />}
      {guide && !mark && <p className="card-empty">No marks yet.</p>}
      <DelayRow rider={rider} />
      {mark && <RecipeRows rider={rider} />}
    </Card>
  );
}

interface PaceRowsProps {
  readonly rider: Rider;
  readonly guide: Guide;
  readonly mark: Mark;
  readonly chosen: readonly string[];
}

function PaceRows({ rider, guide, mark, chosen }: PaceRowsProps) {
  const isLast = mark === rider.pace.marks.at(-1);
  return (
    <>
      <MarkRows rider={rider} guide={guide} mark={mark} />
      {!isLast && !rider.pace.recipe && (
        <LegRows rider={rider} mark={mark} marks={chosen.length > 1 ? chosen : [mark.id]} />
      )}
      <MarksRow rider={rider} chosen={chosen.length > 0 ? chosen : [mark.id]} />
    </>
  );
}
