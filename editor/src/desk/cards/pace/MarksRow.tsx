import { stretchMarks, type Rider } from '@pace-line/core';
import { selectRider, useDocument } from '../../../document/index.ts';
import { NumberField, PERCENT } from '../../../fields/index.ts';
import { perform } from '../../actions/change.ts';
import { addMark } from '../../actions/marks.ts';
import { deleteSelected } from '../../actions/selecting.ts';
import { useDesk } from '../../context.ts';
import { useDeskView } from '../../view.ts';
import { Row } from '../Card.tsx';

/** Adding a mark, and deleting the chosen ones. */
export function MarksRow({ rider, chosen }: { rider: Rider; chosen: readonly string[] }) {
  const doc = useDocument();
  const desk = useDesk();
  return (
    <Row label="Marks">
      <button
        type="button"
        className="small-button"
        aria-label="Add at playhead"
        title="Add at the playhead (M)"
        onClick={() => addMark(desk, rider.id)}
      >
        add
      </button>
      <button
        type="button"
        className="small-button"
        aria-label="Table of marks"
        onClick={() => useDeskView.getState().set({ drawer: 'marks', openCard: null, page: 'canvas' })}
      >
        table
      </button>
      <button
        type="button"
        className="small-button"
        disabled={rider.pace.marks.length < 2}
        onClick={() => {
          doc.select(selectRider(rider.id, chosen));
          deleteSelected(desk);
        }}
      >
        delete
      </button>
    </Row>
  );
}

/** Stretches this rider's marks alone: those that are chosen, or all. */
export function StretchRow({ rider, chosen }: { rider: Rider; chosen: readonly string[] }) {
  const desk = useDesk();
  const marks = chosen.length > 1 ? chosen : rider.pace.marks.map(({ id }) => id);
  if (marks.length < 2) return null;
  return (
    <Row label={chosen.length > 1 ? `Stretch these ${chosen.length} by` : 'Stretch marks by'}>
      <NumberField
        label="Stretch the marks in time by"
        value={100}
        unit="%"
        units={PERCENT}
        min={0.1}
        max={100_000}
        onCommit={(percent) =>
          perform(desk, 'Stretch marks', stretchMarks, { rider: rider.id, marks, factor: percent / 100 })
        }
      />
    </Row>
  );
}
