import { bringGuide, guideById, riderById, setRider, type Rider } from '@pace-line/core';
import { useDocumentState } from '../../../document/index.ts';
import { ChoiceField, TextField } from '../../../fields/index.ts';
import { change, perform } from '../../actions/change.ts';
import { park } from '../../actions/riding.ts';
import { askToRide, rideAll, seat } from '../../actions/seating.ts';
import { useDesk } from '../../context.ts';
import { Row } from '../Card.tsx';
import { KeyedRow } from '../keys/KeyedRow.tsx';
import { PointFields } from '../PointFields.tsx';
import { isOnGuide } from './on-guide.ts';
import { changeEach, useChosen } from '../several.ts';
import { WhipNote } from './WhipNote.tsx';

const PARKED = '·parked';

/** What it is called, which guide it is on, and where: on the canvas, or beside the guide. */
export function PlacingRows({ rider }: { rider: Rider }) {
  const desk = useDesk();
  const chosen = useChosen(rider);
  const guide = useDocumentState((state) => guideById(state.shown, rider.guide));
  return (
    <>
      <Row of="rider.name">
        <TextField
          label="Rider name"
          value={rider.name}
          disabled={chosen.length > 1}
          onCommit={(name) =>
            change(desk, 'Rename rider', (scene) => setRider(scene, { id: rider.id, patch: { name } }))
          }
        />
      </Row>
      <GuideRow rider={rider} />
      {guide ? (
        <>
          <KeyedRow of="rider.lift" rider={rider} channel="lift" />
          <KeyedRow of="rider.lead" rider={rider} channel="lead" />
          <WhipNote rider={rider} guide={guide} />
        </>
      ) : (
        !rider.strung && (
          <Row of="rider.at">
            <PointFields
              label="Position"
              point={rider.at}
              live={({ scene }) => riderById(scene, rider.id)?.at}
              onCommit={(to, axis) =>
                changeEach(desk, 'Move rider', chosen, (scene, { id, at: [x, y], guide: on }) =>
                  on === null ? setRider(scene, { id, patch: { at: axis === 0 ? [to[0], y] : [x, to[1]] } }) : scene,
                )
              }
            />
          </Row>
        )
      )}
    </>
  );
}

/** The guide that it rides; once it is off it, what brings both together. */
function GuideRow({ rider }: { rider: Rider }) {
  const desk = useDesk();
  const guides = useDocumentState((state) => state.shown.guides);
  const chosen = useChosen(rider);
  const isOff = rider.guide !== null && !isOnGuide(rider);
  return (
    <>
      <Row of="rider.guide">
        <ChoiceField
          label="Guide"
          value={rider.guide ?? PARKED}
          data={[
            { value: PARKED, label: 'none: parked' },
            ...guides.map((guide) => ({ value: guide.id, label: guide.name })),
          ]}
          onChange={(value) => {
            if (value === PARKED) park(desk, chosen);
            else if (chosen.length > 1) rideAll(desk, chosen, value);
            else askToRide(desk, rider.id, value);
          }}
        />
      </Row>
      {isOff && (
        <div className="row-actions">
          <button
            type="button"
            className="small-button"
            title="Sets its offset to 0"
            onClick={() => seat(desk, rider.id)}
          >
            Put it on the guide
          </button>
          {!rider.carrier && (
            <button
              type="button"
              className="small-button"
              title="Moves the guide here: the rider stays where it is, and sits on it"
              onClick={() =>
                perform(desk, 'Bring the guide to the rider', bringGuide, { rider: rider.id, time: desk.playback.time })
              }
            >
              Bring the guide to it
            </button>
          )}
        </div>
      )}
    </>
  );
}
