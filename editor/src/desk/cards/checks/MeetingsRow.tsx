import { useMemo } from 'react';
import { meetingsOn, riderById, type Scene } from '@pace-line/core';
import { selectRider, useCalmState } from '../../../document/index.ts';
import { useDesk } from '../../context.ts';
import { seconds } from '../../labels.ts';
import { useRoute } from '../../sheet/use-route.ts';

/** Riders of the route, and nodes of its guide, beyond which it is not asked while the scene is edited. */
const [MOST_RIDERS, MOST_NODES] = [12, 400];

/** How near the riders of the route come to each other along it, and how often they meet. */
export function MeetingsRow({ scene }: { scene: Scene }) {
  const { doc, playback } = useDesk();
  const selection = useCalmState((state) => state.selection);
  const { guide, riders } = useRoute(scene, selection);
  const count = riders.length;
  const found = useMemo(() => {
    const isSmall = guide && count > 1 && count <= MOST_RIDERS && guide.nodes.length <= MOST_NODES;
    return isSmall ? meetingsOn(scene, guide.id) : undefined;
  }, [scene, guide, count]);
  if (!found?.closest) return null;
  const { meetings, closest } = found;
  const [first] = meetings;
  const [one, other] = first?.riders ?? closest.riders;
  const time = first?.time ?? closest.time;
  const name = (id: string): string => riderById(scene, id)?.name ?? '';
  return (
    <button
      type="button"
      className="finding"
      title={`${name(one)} and ${name(other)}`}
      onClick={() => {
        doc.select(selectRider(one));
        playback.goTo(time);
      }}
    >
      <span className="row-label finding-name">{first ? 'Meetings' : 'Closest'}</span>
      <span className="figures finding-value">
        {first
          ? `${meetings.length}, first at ${seconds(first.time)}`
          : `${closest.gap.toFixed(closest.gap < 10 ? 1 : 0)} px at ${seconds(closest.time)}`}
      </span>
    </button>
  );
}
