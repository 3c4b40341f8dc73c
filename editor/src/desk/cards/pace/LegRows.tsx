import { prepare, setEase, wordsOfLeg, type Mark, type Rider } from '@pace-line/core';
import { useDocumentState } from '../../../document/index.ts';
import { EaseField } from '../../ease/EaseField.tsx';
import { Row } from '../Card.tsx';

interface LegRowsProps {
  readonly rider: Rider;
  readonly mark: Mark;
  /** Marks whose legs get what is chosen. */
  readonly marks: readonly string[];
}

/** The leg that follows a mark: its ease, and in words what that does. */
export function LegRows({ rider, mark, marks }: LegRowsProps) {
  const index = rider.pace.marks.indexOf(mark);
  const next = rider.pace.marks[index + 1];
  const line = useDocumentState((state) => prepare(state.shown).rider(rider.id)?.line);
  return (
    <>
      <Row of="pace.ease">
        <EaseField
          label="Easing of the next leg"
          ease={mark.ease}
          as={line?.easeAfter?.(index)}
          lasts={(next?.time ?? mark.time) - mark.time - mark.dwell}
          edit={(scene, ease) => setEase(scene, { rider: rider.id, marks, ease })}
        />
      </Row>
      <p className="card-note leg-words">{wordsOfLeg(mark.ease)}</p>
    </>
  );
}
