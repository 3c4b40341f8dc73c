import { artOfRider, guideById, riderById } from '@pace-line/core';
import { useDocumentState } from '../../document/index.ts';
import { Card } from './Card.tsx';
import { Groups } from './groups/Groups.tsx';
import { isOnGuide } from './rider/on-guide.ts';
import { RIDER_GROUPS } from './rider/groups.tsx';
import { ArtRows } from './rider/ArtRows.tsx';
import { LookRows } from './rider/LookRows.tsx';
import { PlacingRows } from './rider/PlacingRows.tsx';

/** Card 2: the selected rider: its art, its guide, how it sits, and what it can do besides. */
export function RiderCard() {
  const scene = useDocumentState((state) => state.shown);
  const selection = useDocumentState((state) => state.selection);
  const rider = riderById(scene, selection.riders[0] ?? '');
  const art = rider && artOfRider(scene, rider);
  if (!rider || !art)
    return (
      <Card name="rider" number={2} title="Rider" summary="none selected" isEmpty>
        <p className="card-empty">
          Drag art from the Art drawer (L) onto a guide to ride it, onto the canvas to park it; or set it down where it
          should be at one time after another (5).
        </p>
      </Card>
    );
  const chosen = selection.riders.flatMap((id) => {
    const one = riderById(scene, id);
    const its = one && artOfRider(scene, one);
    return one && its ? [{ rider: one, art: its }] : [];
  });
  const guide = guideById(scene, rider.guide);
  const state = guide ? `on ${guide.name}${isOnGuide(rider) ? '' : ', with an offset'}` : 'parked';
  return (
    <Card
      name="rider"
      number={2}
      title="Rider"
      summary={chosen.length > 1 ? `${chosen.length} riders` : `${rider.name} · ${state}`}
      isBusy={selection.marks.length === 0 && selection.keys.length === 0}
      groups={
        <div>
          <ArtRows rider={rider} art={art} />
          <Groups
            of={rider.id}
            name={selection.riders.length > 1 ? `${selection.riders.length} riders` : rider.name}
            on={{ rider, art }}
            all={chosen}
            groups={RIDER_GROUPS}
          />
        </div>
      }
    >
      {selection.riders.length > 1 && (
        <p className="card-note">{selection.riders.length} riders: what you enter is set for all of them.</p>
      )}
      <PlacingRows rider={rider} />
      <LookRows rider={rider} />
    </Card>
  );
}
