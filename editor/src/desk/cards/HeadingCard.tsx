import { artById, riderById } from '@pace-line/core';
import { useDocumentState } from '../../document/index.ts';
import { Card } from './Card.tsx';
import { Groups } from './groups/Groups.tsx';
import { HEADING_GROUPS } from './heading/groups.tsx';
import { ModeRows } from './heading/ModeRows.tsx';
import { summaryOfHeading } from './heading/words.ts';

/** Card 3: which way the selected rider faces. */
export function HeadingCard() {
  const scene = useDocumentState((state) => state.shown);
  const selection = useDocumentState((state) => state.selection);
  const rider = riderById(scene, selection.riders[0] ?? '');
  const art = rider && artById(scene, rider.art);
  if (!rider || !art)
    return (
      <Card name="heading" number={3} title="Heading" summary="" isEmpty>
        <p className="card-empty">Select a rider to say which way it faces.</p>
      </Card>
    );
  return (
    <Card
      name="heading"
      number={3}
      title="Heading"
      summary={summaryOfHeading(rider)}
      groups={
        <Groups
          of={rider.id}
          name={`the heading of ${rider.name}`}
          on={rider}
          all={selection.riders.flatMap((id) => riderById(scene, id) ?? [])}
          groups={HEADING_GROUPS}
        />
      }
    >
      <ModeRows rider={rider} art={art} />
    </Card>
  );
}
