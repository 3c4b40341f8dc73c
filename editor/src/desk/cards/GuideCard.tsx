import { guideById, pathOfGuide, riderById, type Guide } from '@pace-line/core';
import { useDocumentState } from '../../document/index.ts';
import { LiveText } from '../live.tsx';
import { useDeskView } from '../view.ts';
import { Card } from './Card.tsx';
import { Groups } from './groups/Groups.tsx';
import { EditRows } from './guide/EditRows.tsx';
import { GUIDE_GROUPS } from './guide/groups.tsx';
import { NodeRows } from './guide/NodeRows.tsx';
import { PositionRow } from './guide/PositionRow.tsx';
import { LineRow } from './guide/StyleRows.tsx';

/** Card 1: the selected guide, or that of the selected rider. */
export function GuideCard() {
  const selection = useDocumentState((state) => state.selection);
  const guide = useDocumentState(({ shown }) =>
    guideById(shown, selection.guides[0] ?? riderById(shown, selection.riders[0] ?? '')?.guide ?? null),
  );
  // The roundness of the last line that was set point by point can be changed while it is the last.
  useDeskView((state) => state.lastStroke);
  if (!guide)
    return (
      <Card name="guide" number={1} title="Guide" summary="none selected" isEmpty>
        <p className="card-empty">
          {selection.riders.length > 0
            ? 'This rider is parked: choose its guide on the Rider card, or draw one for it.'
            : 'Draw one with the tools above the canvas, or select one.'}
        </p>
      </Card>
    );
  const nodes = selection.guides[0] === guide.id ? selection.nodes : NO_NODES;
  return (
    <Card
      name="guide"
      number={1}
      title="Guide"
      summary={<LiveText text={({ scene }) => summaryOf(guideById(scene, guide.id))}>{summaryOf(guide)}</LiveText>}
      isBusy={selection.guides.length > 0 && selection.riders.length === 0}
      groups={<Groups of={guide.id} name={guide.name} on={{ guide, nodes }} groups={GUIDE_GROUPS} />}
    >
      <NodeRows guide={guide} nodes={nodes} />
      <PositionRow guide={guide} />
      <EditRows guide={guide} nodes={nodes} />
      <LineRow guide={guide} />
    </Card>
  );
}

const NO_NODES: readonly string[] = [];

const summaryOf = (guide: Guide | undefined): string | undefined =>
  guide && `${guide.closed ? 'closed' : 'open'} · ${Math.round(pathOfGuide(guide).length)} px`;
