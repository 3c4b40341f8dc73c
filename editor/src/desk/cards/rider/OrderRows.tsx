import {
  guideById,
  pathOfGuide,
  placeAtDistance,
  prepare,
  setCamera,
  setRider,
  type Behind,
  type Place,
  type Rider,
  type Scene,
} from '@pace-line/core';
import { useDocumentState } from '../../../document/index.ts';
import { ChoiceField, PERCENT } from '../../../fields/index.ts';
import { change, perform } from '../../actions/change.ts';
import { useDesk } from '../../context.ts';
import { sceneOf, type Desk } from '../../desk.ts';
import { Row } from '../Card.tsx';
import { NumberRow, YesRow } from '../rows.tsx';

const NONE = '·none';

/** Share of a guide's length that a new stretch behind something takes. */
const FIRST_STRETCH = 0.1;

/** What a rider is behind at times, the shape that it is seen within, and the camera. */
export function OrderRows({ rider }: { rider: Rider }) {
  return (
    <>
      <BehindRows rider={rider} />
      <InsideRow rider={rider} />
      <CameraRows rider={rider} />
    </>
  );
}

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

function BehindRows({ rider }: { rider: Rider }) {
  const desk = useDesk();
  const riders = useDocumentState((state) => state.shown.riders);
  const marks = useDocumentState((state) => state.selection.marks);
  const set = (label: string, behind: readonly Behind[]): void =>
    change(desk, label, (base) => setRider(base, { id: rider.id, patch: { behind } }));
  if (rider.guide === null && rider.behind.length === 0) return null;
  const chosen = rider.pace.marks.filter(({ id }) => marks.includes(id));
  const [first, last] = [chosen[0], chosen[chosen.length - 1]];
  const add = (id: string): void => {
    const from = placeNow(desk, rider);
    const to = placeNow(desk, rider, FIRST_STRETCH);
    if (first && last && first !== last)
      set('Go behind', [...rider.behind, { by: 'marks', rider: id, from: first.id, to: last.id }]);
    else if (from && to) set('Go behind', [...rider.behind, { by: 'places', rider: id, from, to }]);
  };
  return (
    <>
      {rider.behind.map((one, i) => (
        <StretchRow
          key={i}
          name={riders.find(({ id }) => id === one.rider)?.name ?? ''}
          stretch={one}
          onChange={(next) => set('Set where it is behind', rider.behind.with(i, next))}
          onRemove={() => set('Stay in front', rider.behind.toSpliced(i, 1))}
          placeNow={() => placeNow(desk, rider)}
        />
      ))}
      <Row label="Goes behind">
        <ChoiceField
          label="Goes behind"
          searchable
          value={NONE}
          data={[
            { value: NONE, label: first && last && first !== last ? 'between these marks…' : 'from here on…' },
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
        {word} here
      </button>
    );
  return (
    <Row label={`Behind ${name}`}>
      {end('from', 'begins')}
      {end('to', 'ends')}
      {stretch.by === 'marks' && <span className="card-note">from mark to mark</span>}
      <button type="button" className="small-button" onClick={onRemove} aria-label={`Stay in front of ${name}`}>
        remove
      </button>
    </Row>
  );
}

function InsideRow({ rider }: { rider: Rider }) {
  const desk = useDesk();
  const guides = useDocumentState((state) => state.shown.guides);
  const shapes = guides.filter((guide) => guide.closed);
  if (shapes.length === 0 && !rider.inside) return null;
  const value = rider.inside ? `${rider.inside.keep} ${rider.inside.guide}` : NONE;
  return (
    <Row label="Seen">
      <ChoiceField
        label="Where it is seen"
        searchable
        value={value}
        data={[
          { value: NONE, label: 'everywhere' },
          ...shapes.flatMap(({ id, name }) => [
            { value: `inside ${id}`, label: `inside ${name}` },
            { value: `outside ${id}`, label: `outside ${name}` },
          ]),
        ]}
        onChange={(chosen) => {
          const [keep, guide] = chosen.split(' ');
          const inside = guide && (keep === 'inside' || keep === 'outside') ? { guide, keep } : null;
          change(desk, 'Set where it is seen', (base) =>
            setRider(base, { id: rider.id, patch: { inside: inside as Rider['inside'] } }),
          );
        }}
      />
    </Row>
  );
}

function CameraRows({ rider }: { rider: Rider }) {
  const desk = useDesk();
  const camera = useDocumentState(({ shown }: { shown: Scene }) => shown.camera);
  const isCamera = camera === rider.id;
  return (
    <>
      <YesRow
        label="Is the camera"
        title="What is sent is seen through it: it shows as much as the canvas, about its pivot, turned and scaled with it; X, held, shows that. It is in the picture itself unless it is left out of the output."
        value={isCamera}
        onChange={(yes) =>
          void perform(desk, yes ? 'Look through it' : 'Look at the canvas', setCamera, {
            rider: yes ? rider.id : null,
          })
        }
      />
      {camera !== null && !isCamera && (
        <NumberRow
          label="Parallax"
          name="How far the camera moves it"
          value={rider.parallax * 100}
          unit="%"
          units={PERCENT}
          min={-1000}
          max={1000}
          onCommit={(value) =>
            change(desk, 'Set parallax', (base) => setRider(base, { id: rider.id, patch: { parallax: value / 100 } }))
          }
        />
      )}
    </>
  );
}
