import { riderById } from '@pace-line/core';
import { useDocumentState } from '../../document/index.ts';
import { answerSeating } from '../actions/seating.ts';
import { useDesk } from '../context.ts';
import { useDeskView } from '../view.ts';

/** Asks how a rider that was just put on a guide should sit on it, wherever that was done; gone as soon as something else is. */
export function SeatingNote() {
  const desk = useDesk();
  const question = useDeskView((state) => state.question);
  const set = useDeskView((state) => state.set);
  const committed = useDocumentState((state) => state.committed);
  if (!question || question.after !== committed) return null;
  const rider = riderById(committed, question.rider);
  if (!rider) return null;
  return (
    <div className="seating" role="group" aria-label="How the rider sits">
      <span>{rider.name}</span>
      <button type="button" aria-pressed={question.seating === 'seat'} onClick={() => answerSeating(desk, 'seat')}>
        sits on the guide
      </button>
      <button type="button" aria-pressed={question.seating === 'keep'} onClick={() => answerSeating(desk, 'keep')}>
        stays where it is
      </button>
      <button type="button" className="seating-done" aria-label="Done" onClick={() => set({ question: null })}>
        done
      </button>
    </div>
  );
}
