import { artOfRider, riderById, setPivot, type Art, type Rider, type Vec } from '@pace-line/core';
import { useDocumentState } from '../../../document/index.ts';
import { ChoiceField } from '../../../fields/index.ts';
import { offerSeat } from '../../actions/seating.ts';
import { useDesk } from '../../context.ts';
import { useDeskView } from '../../view.ts';
import { Row } from '../Card.tsx';
import { PointFields } from '../PointFields.tsx';
import { YesRow } from '../rows.tsx';
import { changeEach, useChosen } from '../several.ts';
import { usePatch } from './use-patch.ts';

/** Which art it shows, that art's pivot, and whether it is sent. */
export function ArtRows({ rider, art }: { rider: Rider; art: Art }) {
  const desk = useDesk();
  const patch = usePatch(rider);
  const chosen = useChosen(rider);
  const all = useDocumentState((state) => state.shown.art);
  // The drawing stays, as where the pivot is dragged; on a guide it is asked whether that point is to be on it.
  const put = (label: string, pivot: Vec | null): void => {
    const { time } = desk.playback;
    changeEach(desk, label, chosen, (base, { id }) => setPivot(base, { id, pivot, time }));
    if (chosen.length === 1) offerSeat(desk, rider.id);
  };
  return (
    <>
      <Row of="rider.art">
        <ChoiceField
          label="Art"
          value={rider.art}
          data={all.map((one) => ({ value: one.id, label: one.name }))}
          onChange={(value) => patch('Change art', { art: value })}
        />
      </Row>
      <Row of="rider.pivot">
        <PointFields
          label="Pivot"
          point={art.pivot}
          live={({ scene }) => {
            const now = riderById(scene, rider.id);
            return now && artOfRider(scene, now)?.pivot;
          }}
          onCommit={(pivot) => put('Move pivot', pivot)}
        />
        {rider.pivot && (
          <button
            type="button"
            className="small-button"
            title="The pivot of the art again, as other riders of it have it"
            onClick={() => put('Reset pivot', null)}
          >
            Reset
          </button>
        )}
        <AimButton />
      </Row>
      <YesRow
        of="rider.output"
        value={rider.output}
        onChange={(yes) => patch(yes ? 'Send rider' : 'Leave rider out', { output: yes })}
      />
    </>
  );
}

/** Opens and closes the handles of pivot and facing on the canvas. */
function AimButton() {
  const aiming = useDeskView((state) => state.aiming);
  const set = useDeskView((state) => state.set);
  return (
    <button
      type="button"
      className="small-button"
      aria-pressed={aiming}
      title="Handles on the canvas for pivot and facing; the drawing stays where it is"
      onClick={() => set({ aiming: !aiming })}
    >
      On canvas
    </button>
  );
}
