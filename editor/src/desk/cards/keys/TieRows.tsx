import { markById, tieKeys, type Key, type Rider } from '@pace-line/core';
import { useDocumentState } from '../../../document/index.ts';
import { ChoiceField } from '../../../fields/index.ts';
import { perform } from '../../actions/change.ts';
import { useDesk } from '../../context.ts';
import { seconds } from '../../../words/labels.ts';
import { useDeskView } from '../../view.ts';
import { Row } from '../Card.tsx';
import { ChoiceRow } from '../rows.tsx';

const FREE = '·free';

interface TieProps {
  readonly rider: Rider;
  /** Those that are chosen; the first shows what it goes with. */
  readonly keys: readonly string[];
  readonly first: Key;
}

/** The mark with which keys go, of their own rider or of another: from a list, or by pointing at it; and which end of its rest. */
export function TieRows({ rider, keys, first }: TieProps) {
  const desk = useDesk();
  const riders = useDocumentState((state) => state.shown.riders);
  const set = useDeskView((state) => state.set);
  const isPointing = useDeskView((state) => state.tying !== null);
  const marked = [rider, ...riders.filter(({ id }) => id !== rider.id)].filter(({ pace }) => pace.marks.length > 0);
  if (marked.length === 0) return null;
  const tie = (mark: string | null, edge?: Key['edge']): void => {
    perform(desk, mark === null ? 'Release keyframe from its mark' : 'Move keyframe with a mark', tieKeys, {
      ...{ rider: rider.id, keys, mark },
      ...(edge ? { edge } : {}),
    });
  };
  const groups = marked.map(({ id, name, pace }) => ({
    group: id === rider.id ? 'This rider' : name,
    items: pace.marks.map((mark, i) => ({ value: mark.id, label: `mark ${i + 1}, ${seconds(mark.time)}` })),
  }));
  const mark = first.mark === null ? undefined : riders.map((one) => markById(one, first.mark ?? '')).find(Boolean);
  return (
    <>
      <Row of="pace.key.tie">
        <ChoiceField
          label="Moves with"
          value={first.mark ?? FREE}
          data={[{ value: FREE, label: 'no mark' }, ...groups]}
          onChange={(value) => tie(value === FREE ? null : value, first.edge)}
        />
        <button
          type="button"
          className="small-button"
          aria-pressed={isPointing}
          title="Then press a mark on the canvas or the sheet, of any rider"
          onClick={() => set({ tying: isPointing ? null : { rider: rider.id, keys } })}
        >
          {isPointing ? 'Press a mark…' : 'Point at it'}
        </button>
      </Row>
      {mark && (mark.dwell > 0 || first.edge === 'end') && (
        <ChoiceRow
          of="pace.key.edge"
          value={first.edge ?? 'start'}
          options={[
            ['start', 'arrival'],
            ['end', 'end of rest'],
          ]}
          onChange={(edge) => tie(mark.id, edge === 'end' ? 'end' : undefined)}
        />
      )}
    </>
  );
}
