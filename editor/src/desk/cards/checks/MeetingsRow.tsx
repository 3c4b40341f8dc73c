import { riderById, type Scene } from '@pace-line/core';
import { selectRider, useDocumentState } from '../../../document/index.ts';
import { useDesk } from '../../context.ts';
import { seconds } from '../../../words/labels.ts';
import { meetingsOf } from '../../../figures/sheet/index.ts';
import { useRoute } from '../../sheet/use-route.ts';

/** How near the riders of the route come to each other along it, and how often they meet. */
export function MeetingsRow({ scene }: { scene: Scene }) {
  const { doc, playback } = useDesk();
  const selection = useDocumentState((state) => state.selection);
  const { guide, riders } = useRoute(scene, selection);
  const found = guide && meetingsOf(scene, guide.id, riders.length);
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
      <small className="finding-who">
        {name(one)}, {name(other)}
      </small>
    </button>
  );
}
