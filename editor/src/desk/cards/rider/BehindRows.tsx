import {
  guideById,
  pathOfGuide,
  placeAtDistance,
  prepare,
  setRider,
  type Behind,
  type Place,
  type Rider,
} from '@pace-line/core';
import { useDocumentState } from '../../../document/index.ts';
import { ChoiceField } from '../../../fields/index.ts';
import { change } from '../../actions/change.ts';
import { useDesk } from '../../context.ts';
import { sceneOf, type Desk } from '../../desk.ts';
import { Row } from '../Card.tsx';

const NONE = '·none';

/** Share of a guide's length that a new stretch behind something takes. */
const FIRST_STRETCH = 0.1;

/** The place on its guide where a rider is at the playhead, and so many shares of the guide farther. */
function placeNow(desk: Desk, rider: Rider, farther = 0): Place | undefined {
  const scene = sceneOf(desk);
  const guide = guideById(scene, rider.guide);
  const moving = prepare(scene).rider(rider.id);
  if (!guide || !moving) return undefined;
  const path = pathOfGuide(guide);
  const at = moving.footAt(desk.playback.time) + farther * path.length;
  const within = path.isClosed
    ? at - Math.floor(at / path.length) * path.length
    : Math.min(path.length, Math.max(0, at));
  return placeAtDistance(guide, path, within);
}

/** What a rider passes behind, for stretches of its guide. */
export function BehindRows({ rider }: { rider: Rider }) {
  const desk = useDesk();
  const riders = useDocumentState((state) => state.shown.riders);
  const marks = useDocumentState((state) => state.selection.marks);
  const set = (label: string, behind: readonly Behind[]): void =>
    change(desk, label, (base) => setRider(base, { id: rider.id, patch: { behind } }));
  const chosen = rider.pace.marks.filter(({ id }) => marks.includes(id));
  const [first, last] = [chosen[0], chosen[chosen.length - 1]];
  const add = (id: string): void => {
    const from = placeNow(desk, rider);
    const to = placeNow(desk, rider, FIRST_STRETCH);
    if (first && last && first !== last)
      set('Put behind another rider', [...rider.behind, { by: 'marks', rider: id, from: first.id, to: last.id }]);
    else if (from && to) set('Put behind another rider', [...rider.behind, { by: 'places', rider: id, from, to }]);
  };
  return (
    <>
      {rider.behind.map((one, i) => (
        <StretchRow
          key={i}
          name={riders.find(({ id }) => id === one.rider)?.name ?? ''}
          stretch={one}
          onChange={(next) => set('Change where it is behind', rider.behind.with(i, next))}
          onRemove={() => set('Remove behind', rider.behind.toSpliced(i, 1))}
          placeNow={() => placeNow(desk, rider)}
        />
      ))}
      <Row of="rider.behind">
        <ChoiceField
          label="Behind another rider"
          searchable
          value={NONE}
          data={[
            { value: NONE, label: first && last && first !== last ? 'between these marks…' : 'from the playhead…' },
            ...riders.filter(({ id }) => id !== rider.id).map(({ id, name }) => ({ value: id, label: name })),
          ]}
          onChange={(id) => {
            if (id !== NONE) add(id);
          }}
        />
      </Row>
    </>
  );
}

interface StretchRowProps {
  readonly name: string;
  readonly stretch: Behind;
  readonly onChange: (next: Behind) => void;
  readonly onRemove: () => void;
  readonly placeNow: () => Place | undefined;
}

/** One stretch behind another rider: its two ends are set at the playhead. */
function StretchRow({ name, stretch, onChange, onRemove, placeNow }: StretchRowProps) {
  const end = (key: 'from' | 'to', word: string) =>
    stretch.by === 'places' && (
      <button
        type="button"
        className="small-button"
        title={`It ${word} being behind “${name}” where it is at the playhead`}
        onClick={() => {
          const place = placeNow();
          if (place) onChange({ ...stretch, [key]: place });
        }}
      >
        {word === 'begins' ? 'Begin here' : 'End here'}
      </button>
    );
  return (
    <Row of="rider.behind" label={name}>
      {end('from', 'begins')}
      {end('to', 'ends')}
      {stretch.by === 'marks' && <span className="card-note">from mark to mark</span>}
      <button type="button" className="small-button" onClick={onRemove} aria-label={`Stay in front of ${name}`}>
        Remove
      </button>
    </Row>
  );
}
