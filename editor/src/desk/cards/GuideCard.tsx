import {
  canSplitGuide,
  freeId,
  freeName,
  guideById,
  idsIn,
  nodeIndex,
  pathOfGuide,
  riderById,
  ROUTE_COLORS,
  setClosed,
  setGuide,
  setJoin,
  setNode,
  splitGuide,
  type Guide,
  type Join,
} from '@pace-line/core';
import { useDocumentState } from '../../document/index.ts';
import { NumberField, PX, TextField } from '../../fields/index.ts';
import { useDesk } from '../context.ts';
import { nodeLabel } from '../labels.ts';
import { Card, Row, Segments } from './Card.tsx';

const JOINS: readonly (readonly [Join, string])[] = [
  ['corner', 'corner'],
  ['smooth', 'smooth'],
  ['balanced', 'balanced'],
];

/** Card 1: the selected guide, or that of the selected rider. */
export function GuideCard() {
  const scene = useDocumentState((state) => state.shown);
  const selection = useDocumentState((state) => state.selection);
  const guide = guideById(scene, selection.guides[0] ?? riderById(scene, selection.riders[0] ?? '')?.guide ?? null);
  if (!guide)
    return (
      <Card name="guide" number={1} title="Guide" summary="none selected">
        <p className="card-empty">Select a guide, or plot one with the Plot tool.</p>
      </Card>
    );
  const length = pathOfGuide(guide).length;
  return (
    <Card
      name="guide"
      number={1}
      title="Guide"
      summary={`${guide.closed ? 'closed' : 'open'} · ${Math.round(length).toLocaleString('en')} px`}
    >
      <GuideRows guide={guide} nodes={selection.guides[0] === guide.id ? selection.nodes : []} />
    </Card>
  );
}

function GuideRows({ guide, nodes }: { guide: Guide; nodes: readonly string[] }) {
  const { actions } = useDesk();
  const chosen = guide.nodes.filter((node) => nodes.includes(node.id));
  const [only] = chosen;
  const join = only && chosen.every((node) => node.join === only.join) ? only.join : null;
  const locked = guide.locked;
  const split = (): void => {
    if (!only) return;
    const taken = idsIn(actions.scene);
    const args = {
      guide: guide.id,
      node: only.id,
      nodeId: freeId(taken, `${only.id}-b`),
      guideId: freeId(taken, guide.id),
      name: freeName(
        actions.scene.guides.map((one) => one.name),
        guide.name,
      ),
    };
    actions.do(guide.closed ? 'Open guide here' : 'Split guide', (scene) => splitGuide(scene, args));
  };
  const canSplit =
    only &&
    chosen.length === 1 &&
    !canSplitGuide(actions.scene, { guide: guide.id, node: only.id, nodeId: '\0a', guideId: '\0b', name: '' });
  return (
    <>
      <Row label="Name">
        <TextField
          label="Guide name"
          value={guide.name}
          onCommit={(name) => actions.do('Rename guide', (scene) => setGuide(scene, { id: guide.id, patch: { name } }))}
        />
      </Row>
      <Row
        label={
          chosen.length > 0
            ? chosen.length === 1 && only
              ? nodeLabel(guide, only.id)
              : `${chosen.length} nodes`
            : 'Nodes'
        }
      >
        {only ? (
          <Segments
            label="Join"
            value={join}
            disabled={locked}
            options={JOINS}
            onChange={(next) =>
              actions.do('Change join', (scene) => setJoin(scene, { guide: guide.id, nodes, join: next }))
            }
          />
        ) : (
          <span className="figures">{guide.nodes.length}</span>
        )}
      </Row>
      {only && chosen.length === 1 && (
        <Row label={`Place of node ${nodeIndex(guide, only.id) + 1}`}>
          <NumberField
            label="Node x"
            value={only.x}
            unit="px"
            units={PX}
            disabled={locked}
            onCommit={(x) =>
              actions.do('Move node', (scene) => setNode(scene, { guide: guide.id, node: only.id, x, y: only.y }))
            }
          />
          <NumberField
            label="Node y"
            value={only.y}
            unit="px"
            units={PX}
            disabled={locked}
            onCommit={(y) =>
              actions.do('Move node', (scene) => setNode(scene, { guide: guide.id, node: only.id, x: only.x, y }))
            }
          />
        </Row>
      )}
      <Row label="Runs">
        <Segments
          label="Open or closed"
          value={guide.closed ? 'closed' : 'open'}
          disabled={locked}
          options={[
            ['open', 'open'],
            ['closed', 'closed'],
          ]}
          onChange={(value) =>
            actions.do(value === 'closed' ? 'Close guide' : 'Open guide', (scene) =>
              setClosed(scene, { guide: guide.id, closed: value === 'closed' }),
            )
          }
        />
        {canSplit && (
          <button type="button" className="small-button" onClick={split}>
            {guide.closed ? 'open here' : 'split here'}
          </button>
        )}
      </Row>
      <Row label="Route colour">
        <div className="swatches" role="group" aria-label="Route colour">
          {ROUTE_COLORS.map((color, i) => (
            <button
              key={color}
              type="button"
              aria-label={`Route colour ${COLOR_NAMES[i] ?? color}`}
              aria-pressed={guide.color.toUpperCase() === color}
              style={{ background: color }}
              onClick={() => actions.do('Colour guide', (scene) => setGuide(scene, { id: guide.id, patch: { color } }))}
            />
          ))}
        </div>
      </Row>
    </>
  );
}

const COLOR_NAMES = ['teal', 'indigo', 'plum', 'rust', 'moss', 'marigold'];
