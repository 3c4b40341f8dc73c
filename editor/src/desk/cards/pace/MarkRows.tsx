import {
  distanceOfPlace,
  pathOfGuide,
  retimeMark,
  setDwell,
  timeLocked,
  type Guide,
  type Mark,
  type Rider,
} from '@pace-line/core';
import { selectRider, useDocumentState, useDocument } from '../../../document/index.ts';
import { ChoiceField, NumberField, PX, secondsAt } from '../../../fields/index.ts';
import { change } from '../../actions/change.ts';
import { useDesk } from '../../context.ts';
import { wordsOfRefusal } from '../../../words/refusals.ts';
import { Row } from '../Card.tsx';

/** One mark: which it is, its time, its rest, its place. */
export function MarkRows({ rider, guide, mark }: { rider: Rider; guide: Guide; mark: Mark }) {
  const doc = useDocument();
  const desk = useDesk();
  const scene = useDocumentState((state) => state.shown);
  const { fps } = scene.clock;
  const units = secondsAt(fps);
  const locked = timeLocked(scene, rider, mark.id);
  return (
    <>
      <Row label="Mark">
        <ChoiceField
          label="Mark"
          value={mark.id}
          data={rider.pace.marks.map((one, i) => ({ value: one.id, label: `${i + 1} of ${rider.pace.marks.length}` }))}
          onChange={(id) => doc.select(selectRider(rider.id, [id]))}
        />
        <NumberField
          label="Time of the mark"
          value={mark.time}
          unit="s"
          units={units}
          step={1 / fps}
          digits={3}
          min={0}
          disabled={locked !== undefined}
          onCommit={(time) =>
            change(desk, 'Move mark', (scene) => retimeMark(scene, { rider: rider.id, mark: mark.id, time }))
          }
        />
      </Row>
      {locked && <p className="card-note">{wordsOfRefusal(locked)}</p>}
      <Row label="Rests, place">
        <NumberField
          label="Rests there"
          value={mark.dwell}
          unit="s"
          units={units}
          step={1 / fps}
          digits={3}
          min={0}
          onCommit={(dwell) =>
            change(desk, 'Change rest', (scene) => setDwell(scene, { rider: rider.id, mark: mark.id, dwell }))
          }
        />
        <MarkPlace rider={rider} guide={guide} mark={mark} />
      </Row>
    </>
  );
}

function MarkPlace({ rider, guide, mark }: { rider: Rider; guide: Guide; mark: Mark }) {
  const desk = useDesk();
  const path = pathOfGuide(guide);
  const distance = distanceOfPlace(guide, path, mark.place);
  return (
    <NumberField
      label="Place along the guide"
      value={distance}
      unit="px"
      units={guide.closed ? { ...PX, lap: path.length, laps: path.length } : PX}
      digits={1}
      onCommit={(next) =>
        change(desk, 'Move mark', (scene) =>
          retimeMark(scene, { rider: rider.id, mark: mark.id, time: mark.time, distance: next }),
        )
      }
    />
  );
}
