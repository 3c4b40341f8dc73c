import {
  distanceOfPlace,
  guideById,
  pathOfGuide,
  retimeMark,
  riderById,
  setDwell,
  timeLocked,
  type Guide,
  type Mark,
  type Rider,
} from '@pace-line/core';
import { selectRider, useDocumentState, useDocument } from '../../../document/index.ts';
import { ChoiceField, NumberField, secondsAt } from '../../../fields/index.ts';
import { change } from '../../actions/change.ts';
import type { Frame } from '../../../frame/playback.ts';
import { useDesk } from '../../context.ts';
import { useLive } from '../../live.tsx';
import { wordsOfRefusal } from '../../../words/refusals.ts';
import { placed } from '../../actions/marks.ts';
import { Row } from '../Card.tsx';
import { PlaceField } from '../PlaceField.tsx';
import { NumberRow } from '../rows.tsx';

/** One mark: which it is, its time, its rest, its place. */
export function MarkRows({ rider, guide, mark }: { rider: Rider; guide: Guide; mark: Mark }) {
  const doc = useDocument();
  const desk = useDesk();
  const scene = useDocumentState((state) => state.shown);
  const { fps } = scene.clock;
  const units = secondsAt(fps);
  const locked = timeLocked(scene, rider, mark.id);
  const liveTime = useLive((frame) => markIn(frame, rider, mark)?.time);
  const liveRest = useLive((frame) => markIn(frame, rider, mark)?.dwell);
  return (
    <>
      <Row of="pace.mark">
        <ChoiceField
          label="Mark"
          value={mark.id}
          data={rider.pace.marks.map((one, i) => ({ value: one.id, label: `${i + 1} of ${rider.pace.marks.length}` }))}
          onChange={(id) => doc.select(selectRider(rider.id, [id]))}
        />
        <NumberField
          label="Time of the mark"
          value={mark.time}
          live={liveTime}
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
      <MarkPlace rider={rider} guide={guide} mark={mark} />
      <NumberRow
        of="pace.rest"
        value={mark.dwell}
        live={liveRest}
        unit="s"
        units={units}
        step={1 / fps}
        digits={3}
        min={0}
        onCommit={(dwell) =>
          change(desk, 'Change rest', (scene) => setDwell(scene, { rider: rider.id, mark: mark.id, dwell }))
        }
      />
    </>
  );
}

const markIn = ({ scene }: Frame, { id }: Rider, mark: Mark): Mark | undefined =>
  riderById(scene, id)?.pace.marks.find((one) => one.id === mark.id);

function MarkPlace({ rider, guide, mark }: { rider: Rider; guide: Guide; mark: Mark }) {
  const desk = useDesk();
  const live = useLive((frame) => {
    const now = guideById(frame.scene, guide.id);
    const place = markIn(frame, rider, mark)?.place;
    return now && place && distanceOfPlace(now, pathOfGuide(now), place);
  });
  return (
    <Row of="pace.place">
      <PlaceField
        label="Position on the guide"
        guide={guide}
        place={mark.place}
        live={live}
        onCommit={(next) =>
          change(desk, 'Move mark', (scene) =>
            retimeMark(scene, { rider: rider.id, mark: mark.id, time: mark.time, ...placed(next) }),
          )
        }
      />
    </Row>
  );
}
