import { setClosed, splitGuide, type Guide } from '@pace-line/core';
import { useDocumentState } from '../../../document/index.ts';
import { offered, perform } from '../../actions/change.ts';
import { splitAtNode } from '../../actions/guides.ts';
import { useDesk } from '../../context.ts';
import { Row, Segments } from '../Card.tsx';

/** Open or closed, and splitting at the one selected node. */
export function OutlineRow({ guide, nodes }: { guide: Guide; nodes: readonly string[] }) {
  const desk = useDesk();
  const scene = useDocumentState((state) => state.committed);
  const [only] = nodes.length === 1 ? nodes : [];
  const closing = offered(scene, setClosed, { guide: guide.id, closed: !guide.closed });
  const splitting = { guide: guide.id, node: only ?? '', nodeId: '·a', guideId: '·b', name: '' };
  return (
    <Row of="guide.path">
      <Segments
        label="Path"
        value={guide.closed ? 'closed' : 'open'}
        disabled={closing.disabled}
        title={closing.title}
        options={[
          ['open', 'open'],
          ['closed', 'closed'],
        ]}
        onChange={(value) =>
          perform(desk, value === 'closed' ? 'Close guide' : 'Open guide', setClosed, {
            guide: guide.id,
            closed: value === 'closed',
          })
        }
      />
      {only !== undefined && !offered(scene, splitGuide, splitting).disabled && (
        <button type="button" className="small-button" onClick={() => splitAtNode(desk, guide, only)}>
          {guide.closed ? 'Open here' : 'Split here'}
        </button>
      )}
    </Row>
  );
}
