import { artById, riderById } from '@pace-line/core';
import { useDocumentState } from '../../document/index.ts';
import { useDeskView } from '../view.ts';
import { Card } from './Card.tsx';
import { AimRows } from './heading/AimRows.tsx';
import { ModeRows } from './heading/ModeRows.tsx';
import { TurningRows } from './heading/TurningRows.tsx';
import { summaryOfHeading } from './heading/words.ts';
import { KeyRow } from './keys/KeyRows.tsx';

/** Card 3: which way the selected rider faces. */
export function HeadingCard() {
  const scene = useDocumentState((state) => state.shown);
  const selection = useDocumentState((state) => state.selection);
  const isOpen = useDeskView((state) => state.openCard === 'heading');
  const rider = riderById(scene, selection.riders[0] ?? '');
  const art = rider && artById(scene, rider.art);
  if (!rider || !art)
    return (
      <Card name="heading" number={3} title="Heading" summary="">
        <p className="card-empty">
          Select a rider to say which way it faces: level as it was drawn, along its guide, on two contacts, or toward
          something.
        </p>
      </Card>
    );
  return (
    <Card name="heading" number={3} title="Heading" summary={summaryOfHeading(rider)}>
      <ModeRows rider={rider} art={art} />
      <AimRows rider={rider} />
      <KeyRow rider={rider} channel="turn" />
      {isOpen && <TurningRows rider={rider} art={art} />}
      <p className="card-note">0° is drawn facing right, 90° facing down.</p>
    </Card>
  );
}
