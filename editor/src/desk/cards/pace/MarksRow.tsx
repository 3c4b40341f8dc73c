import { mirrorMarks, reverseMarks, squashAtMark, type Rider } from '@pace-line/core';
import { useState } from 'react';
import { selectRider, useDocumentState, useDocument } from '../../../document/index.ts';
import { NumberField, PERCENT } from '../../../fields/index.ts';
import { offered, perform } from '../../actions/change.ts';
import { addMark, localTimeOf, scaleTimes } from '../../actions/marks.ts';
import { deleteSelected } from '../../actions/selecting.ts';
import { useDesk } from '../../context.ts';
import { useDeskView } from '../../view.ts';
import { Row, Segments } from '../Card.tsx';

/** Adding a mark, and deleting the chosen ones. */
export function MarksRow({ rider, chosen }: { rider: Rider; chosen: readonly string[] }) {
  const doc = useDocument();
  const desk = useDesk();
  return (
    <Row of="pace.marks">
      <button
        type="button"
        className="small-button"
        aria-label="Add at playhead"
        title="Add at the playhead (M)"
        onClick={() => addMark(desk, rider.id)}
      >
        Add
      </button>
      <button
        type="button"
        className="small-button"
        aria-label="Table of marks"
        onClick={() => useDeskView.getState().set({ drawer: 'marks', page: 'canvas' })}
      >
        Table
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
        Delete
      </button>
    </Row>
  );
}

/** Squash and stretch where the rider lands, by one press. */
export function SquashRow({ rider, mark }: { rider: Rider; mark: string }) {
  const desk = useDesk();
  return (
    <div className="row-actions">
      <button
        type="button"
        className="small-button"
        title="Squash and stretch at this mark: stretched just before and after it, squashed at the contact, by how fast the rider lands. The keyframes move with the mark."
        onClick={() => perform(desk, 'Squash at mark', squashAtMark, { rider: rider.id, mark })}
      >
        Squash at this mark
      </button>
    </div>
  );
}

/** What is done with several of this rider's marks at once, those that are chosen, or all: stretched in time, reversed, mirrored. */
export function SeveralRows({ rider, chosen }: { rider: Rider; chosen: readonly string[] }) {
  const desk = useDesk();
  const [about, setAbout] = useState<'first' | 'playhead'>('first');
  const scene = useDocumentState((state) => state.shown);
  const marks = chosen.length > 1 ? chosen : rider.pace.marks.map(({ id }) => id);
  if (marks.length < 2) return null;
  const group = { rider: rider.id, marks };
  const [reverse, mirror] = [offered(scene, reverseMarks, group), offered(scene, mirrorMarks, group)];
  const what = chosen.length > 1 ? `these ${chosen.length}` : 'all marks';
  return (
    <>
      <Row of="pace.scale" label={`Scale times of ${what}`}>
        <NumberField
          label="Scale times by"
          value={100}
          unit="%"
          units={PERCENT}
          min={0.1}
          max={100_000}
          onCommit={(percent) =>
            scaleTimes(desk, group, percent / 100, about === 'playhead' ? localTimeOf(desk, rider.id) : undefined)
          }
        />
        <Segments
          label="Scaled about"
          title="What stays where it is: the first of them, or the time of the playhead."
          value={about}
          options={[
            ['first', 'first'],
            ['playhead', 'playhead'],
          ]}
          onChange={setAbout}
        />
      </Row>
      <Row of="pace.turn" label={chosen.length > 1 ? `These ${chosen.length} marks` : undefined}>
        <button
          type="button"
          className="small-button"
          disabled={reverse.disabled}
          title={reverse.title ?? 'They run backward in time: places, rests and easings in the other order'}
          onClick={() => perform(desk, 'Reverse marks', reverseMarks, group)}
        >
          Play backwards
        </button>
        <button
          type="button"
          className="small-button"
          disabled={mirror.disabled}
          title={mirror.title ?? 'They run the other way along the guide: where it went forward it goes back'}
          onClick={() => perform(desk, 'Mirror marks', mirrorMarks, group)}
        >
          Mirror
        </button>
      </Row>
    </>
  );
}
