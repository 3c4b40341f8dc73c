import { clockInside, setClockInside, type Rider } from '@pace-line/core';
import { useDocumentState } from '../../../document/index.ts';
import { secondsAt } from '../../../fields/index.ts';
import { perform } from '../../actions/change.ts';
import { useDesk } from '../../context.ts';
import { NumberRow } from '../rows.tsx';

/** The clock of what moves within a rider: the longest cycle of all that it carries, slower or faster together. */
export function InsideRow({ rider }: { rider: Rider }) {
  const desk = useDesk();
  const seconds = useDocumentState((state) => clockInside(state.shown, rider.id));
  const fps = useDocumentState((state) => state.shown.clock.fps);
  if (seconds === undefined) return null;
  return (
    <NumberRow
      of="rider.inside"
      name="Longest loop within it"
      value={seconds}
      unit="s"
      units={secondsAt(fps)}
      digits={3}
      min={0.001}
      max={36_000}
      onCommit={(next) => perform(desk, 'Change inner loop', setClockInside, { rider: rider.id, seconds: next })}
    />
  );
}
