import {
  guideById,
  nameNode,
  pathOfGuide,
  setGuide,
  setHandle,
  setJoin,
  setNode,
  type Guide,
  type Join,
  type Node,
  type Scene,
  nameOfNode,
} from '@pace-line/core';
import { DEGREES, NumberField, PX, TextField } from '../../../fields/index.ts';
import { kept } from '../../../figures/shapes.ts';
import type { Frame } from '../../../frame/playback.ts';
import { sayLost } from '../../actions/saying.ts';
import { useDesk } from '../../context.ts';
import { LiveText, useLive } from '../../live.tsx';
import { rowWords } from '../../../words/rows.ts';
import { Row, Segments } from '../Card.tsx';
import { PointFields } from '../PointFields.tsx';
import { change } from '../../actions/change.ts';

const JOINS: readonly (readonly [Join, string])[] = [
  ['corner', 'corner'],
  ['smooth', 'smooth'],
  ['balanced', 'balanced'],
];

/** The guide's name; of selected nodes the join, of one the place, the name and the handles in numbers. */
export function NodeRows({ guide, nodes }: { guide: Guide; nodes: readonly string[] }) {
  const desk = useDesk();
  const chosen = guide.nodes.filter((node) => nodes.includes(node.id));
  const [only] = chosen;
  const join = only && chosen.every((node) => node.join === only.join) ? only.join : null;
  const fixed = guide.locked || guide.link !== undefined;
  return (
    <>
      <Row of="guide.name">
        <TextField
          label="Guide name"
          value={guide.name}
          onCommit={(name) =>
            change(desk, 'Rename guide', (scene) => setGuide(scene, { id: guide.id, patch: { name } }))
          }
        />
      </Row>
      <Row
        of="guide.nodes"
        label={
          chosen.length === 1 && only
            ? nameOfNode(guide, only.id)
            : chosen.length > 0
              ? `${chosen.length} nodes`
              : undefined
        }
      >
        {only ? (
          <Segments
            label="Join"
            value={join}
            disabled={fixed}
            options={JOINS}
            onChange={(next) =>
              change(desk, 'Change join', (scene) => setJoin(scene, { guide: guide.id, nodes, join: next }))
            }
          />
        ) : (
          <span className="figures">{guide.nodes.length}</span>
        )}
      </Row>
      {only && chosen.length === 1 && <OneNode guide={guide} node={only} fixed={fixed} />}
    </>
  );
}

function OneNode({ guide, node, fixed }: { guide: Guide; node: Node; fixed: boolean }) {
  const desk = useDesk();
  const index = guide.nodes.indexOf(node);
  const span = pathOfGuide(guide).spans[index];
  const place = (next: { x?: number; y?: number }): void =>
    change(desk, 'Move node', (scene) =>
      setNode(scene, { guide: guide.id, node: node.id, x: node.x, y: node.y, ...next }),
    );
  return (
    <>
      <Row of="guide.node.place">
        <PointFields
          label="Node"
          point={[node.x, node.y]}
          live={(frame) => {
            const now = nodeIn(frame, guide.id, node.id);
            return now && [now.x, now.y];
          }}
          disabled={fixed}
          onCommit={([x, y]) => place({ x, y })}
        />
      </Row>
      <HandleRow guide={guide} node={node} side="in" fixed={fixed} />
      <HandleRow guide={guide} node={node} side="out" fixed={fixed} />
      <Row of="guide.node.name">
        <TextField
          label="Node name"
          value={node.name ?? ''}
          onCommit={(name) =>
            change(desk, 'Rename node', (scene) => nameNode(scene, { guide: guide.id, node: node.id, name }))
          }
        />
      </Row>
      {span && (
        <Row of="guide.node.span">
          <span className="figures">
            <LiveText text={({ scene }) => spanWords(guideById(scene, guide.id), index)}>
              {spanWords(guide, index)}
            </LiveText>
          </span>
        </Row>
      )}
    </>
  );
}

const nodeIn = ({ scene }: Frame, guide: string, node: string): Node | undefined => foundIn(scene, guide, node);

/** Looked for once in a scene: a guide may have thousands, and each of the fields asks. */
const foundIn = kept((scene: Scene, guide: string, node: string): Node | undefined =>
  guideById(scene, guide)?.nodes.find(({ id }) => id === node),
);

const spanWords = (guide: Guide | undefined, index: number): string | undefined =>
  guide && `${pathOfGuide(guide).spans[index]?.length.toFixed(1) ?? '0'} px`;

/** A handle as its length, px, and its angle, degrees. */
const polar = (handle: readonly [number, number] | undefined): readonly [size: number, angle: number] =>
  handle ? [Math.hypot(handle[0], handle[1]), (Math.atan2(handle[1], handle[0]) * 180) / Math.PI] : [0, 0];

interface HandleRowProps {
  readonly guide: Guide;
  readonly node: Node;
  readonly side: 'in' | 'out';
  readonly fixed: boolean;
}

/** One handle as length and angle (0° to the right, clockwise); a length of 0 takes it away. */
function HandleRow({ guide, node, side, fixed }: HandleRowProps) {
  const desk = useDesk();
  const handle = node[side];
  const label = rowWords(`guide.node.${side}`).label;
  const [size, angle] = polar(handle);
  const liveSize = useLive((frame) => polar(nodeIn(frame, guide.id, node.id)?.[side])[0]);
  const liveAngle = useLive((frame) => polar(nodeIn(frame, guide.id, node.id)?.[side])[1]);
  const put = (length: number, degrees: number): void => {
    const radians = (degrees * Math.PI) / 180;
    const next = length > 0 ? ([length * Math.cos(radians), length * Math.sin(radians)] as const) : null;
    change(desk, next ? 'Set handle' : 'Remove handle', (scene) =>
      setHandle(scene, { guide: guide.id, node: node.id, side, handle: next }),
    );
    if (!next && handle) sayLost(desk, 'A handle of length 0 is none: the handle was removed');
  };
  return (
    <Row of={`guide.node.${side}`}>
      <NumberField
        label={`${label}, length`}
        value={size}
        live={liveSize}
        unit="px"
        units={PX}
        min={0}
        disabled={fixed}
        onCommit={(length) => put(length, angle)}
      />
      <NumberField
        label={`${label}, angle`}
        value={angle}
        live={liveAngle}
        unit="°"
        units={DEGREES}
        digits={1}
        disabled={fixed || !handle}
        onCommit={(degrees) => put(size, degrees)}
      />
    </Row>
  );
}
