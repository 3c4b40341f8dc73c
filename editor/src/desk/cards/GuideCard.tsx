import { guideById, pathOfGuide, riderById } from '@pace-line/core';
import { useCalmState } from '../../document/index.ts';
import { Card } from './Card.tsx';
import { DeedRows } from './guide/DeedRows.tsx';
import { LinkRows } from './guide/LinkRows.tsx';
import { LookRows } from './guide/LookRows.tsx';
import { NodeRows } from './guide/NodeRows.tsx';
import { ShapeRows } from './guide/ShapeRows.tsx';

/** Card 1: the selected guide, or that of the selected rider. */
export function GuideCard() {
  const scene = useCalmState((state) => state.shown);
  const selection = useCalmState((state) => state.selection);
  const guide = guideById(scene, selection.guides[0] ?? riderById(scene, selection.riders[0] ?? '')?.guide ?? null);
  if (!guide)
    return (
      <Card name="guide" number={1} title="Guide" summary="none selected">
        <p className="card-empty">
          Select a guide, or draw one: plot, sketch, act out, set down, or start from a shape.
        </p>
      </Card>
    );
  const length = pathOfGuide(guide).length;
  const nodes = selection.guides[0] === guide.id ? selection.nodes : [];
  return (
    <Card
      name="guide"
      number={1}
      title="Guide"
      summary={`${guide.closed ? 'closed' : 'open'} · ${Math.round(length).toLocaleString('en')} px`}
    >
      <NodeRows guide={guide} nodes={nodes} />
      {guide.shape && <ShapeRows guide={guide} shape={guide.shape} />}
      {guide.link && <LinkRows guide={guide} link={guide.link} />}
      <DeedRows guide={guide} nodes={nodes} />
      <LookRows guide={guide} />
    </Card>
  );
}
