import { guideById, pathOfGuide, riderById, type Guide } from '@pace-line/core';
import { useDocumentState } from '../../document/index.ts';
import { LiveText } from '../live.tsx';
import { useDeskView } from '../view.ts';
import { CanvasRows } from './CanvasRows.tsx';
import { Card } from './Card.tsx';
import { GuideCarrier } from './guide/GuideCarrier.tsx';
import { DepthRows } from './guide/DepthRows.tsx';
import { EditRows } from './guide/EditRows.tsx';
import { LinkRows } from './guide/LinkRows.tsx';
import { StyleRows } from './guide/StyleRows.tsx';
import { NodeRows } from './guide/NodeRows.tsx';
import { ShapeRows } from './guide/ShapeRows.tsx';

/** Card 1: the selected guide, or that of the selected rider. */
export function GuideCard() {
  const canvas = useDocumentState((state) => state.shown.canvas);
  const selection = useDocumentState((state) => state.selection);
  const guide = useDocumentState(({ shown }) =>
    guideById(shown, selection.guides[0] ?? riderById(shown, selection.riders[0] ?? '')?.guide ?? null),
  );
  const isOpen = useDeskView((state) => state.openCard === 'guide');
  if (!guide)
    return (
      <Card
        name="guide"
        number={1}
        title={selection.riders.length > 0 ? 'Guide' : 'Canvas'}
        summary={`${canvas.width} × ${canvas.height} px`}
      >
        {selection.riders.length > 0 ? (
          <p className="card-empty">This rider is parked: choose its guide on card 2, or draw one for it.</p>
        ) : (
          <CanvasRows />
        )}
      </Card>
    );
  const nodes = selection.guides[0] === guide.id ? selection.nodes : [];
  return (
    <Card
      name="guide"
      number={1}
      title="Guide"
      summary={<LiveText text={({ scene }) => summaryOf(guideById(scene, guide.id))}>{summaryOf(guide)}</LiveText>}
    >
      <NodeRows guide={guide} nodes={nodes} />
      {guide.shape && <ShapeRows guide={guide} shape={guide.shape} />}
      {guide.link && <LinkRows guide={guide} link={guide.link} />}
      <GuideCarrier guide={guide} />
      <EditRows guide={guide} nodes={nodes} />
      <StyleRows guide={guide} />
      {isOpen && <DepthRows guide={guide} />}
    </Card>
  );
}

const summaryOf = (guide: Guide | undefined): string | undefined =>
  guide && `${guide.closed ? 'closed' : 'open'} · ${Math.round(pathOfGuide(guide).length)} px`;
