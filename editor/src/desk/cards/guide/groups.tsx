import { carryGuide, setGuide, transformGuides, unlinkGuide, type Guide, type Scene } from '@pace-line/core';
import { SHAPE_NAMES } from '../../../tools/index.ts';
import { change, offered, perform } from '../../actions/change.ts';
import { useDeskView } from '../../view.ts';
import type { CardGroup } from '../groups/group.ts';
import { WAYS } from '../groups/ways.ts';
import { DepthRows, firstDepth } from './DepthRows.tsx';
import { RoundRow, SmoothRows, TransformRows } from './FitRows.tsx';
import { GuideCarrier } from './GuideCarrier.tsx';
import { FIRST_LANE, LaneRow } from './LaneRow.tsx';
import { LinkRows } from './LinkRows.tsx';
import { ShapeRows } from './ShapeRows.tsx';
import { firstStroke, StrokeRows } from './StyleRows.tsx';

/** What the guide card is about. */
export interface OnGuide {
  readonly guide: Guide;
  /** Selected nodes. */
  readonly nodes: readonly string[];
}

const canBend = ({ guide }: OnGuide, scene: Scene): boolean =>
  !offered(scene, transformGuides, { ids: [guide.id], matrix: [1, 0, 0, 1, 0, 0] }).disabled;

/** The stroke of points that made the guide, while it is the last. */
function strokeOf({ guide }: OnGuide) {
  const stroke = useDeskView.getState().lastStroke;
  return stroke?.kind === 'points' && stroke.guide === guide.id ? stroke : undefined;
}

/** All that a guide can have beyond what everyone needs. */
export const GUIDE_GROUPS: readonly CardGroup<OnGuide>[] = [
  {
    id: 'shape',
    title: 'Shape',
    about: 'Measures of the shape that it is, until one of its nodes is moved.',
    also: 'circle rectangle radius size width height',
    picture: WAYS.shape,
    fits: ({ guide }) => guide.shape !== undefined,
    has: ({ guide }) => guide.shape !== undefined,
    Rows: ({ on: { guide } }) =>
      guide.shape ? (
        <>
          <p className="card-note">{SHAPE_NAMES[guide.shape.kind]}</p>
          <ShapeRows guide={guide} shape={guide.shape} />
        </>
      ) : null,
  },
  {
    id: 'link',
    title: 'Linked guide',
    about: 'Follows another guide, beside it or as its copy.',
    also: 'parallel copy instance',
    picture: WAYS.two,
    fits: ({ guide }) => guide.link !== undefined,
    has: ({ guide }) => guide.link !== undefined,
    remove: (desk, { guide }) => change(desk, 'Unlink guide', (scene) => unlinkGuide(scene, { id: guide.id })),
    Rows: ({ on: { guide } }) => (guide.link ? <LinkRows guide={guide} link={guide.link} /> : null),
  },
  {
    id: 'stroke',
    title: 'Drawn in what is sent',
    about: 'The line itself is seen in what is sent, whole or as a rider draws it.',
    also: 'stroke line visible export draw on write reveal trim track road',
    picture: WAYS.drawn,
    has: ({ guide }) => guide.stroke !== undefined,
    add: (desk, { guide }) =>
      change(desk, 'Draw the guide in what is sent', (scene) =>
        setGuide(scene, { id: guide.id, patch: { stroke: firstStroke(guide) } }),
      ),
    remove: (desk, { guide }) =>
      change(desk, 'Remove the drawn line', (scene) => setGuide(scene, { id: guide.id, patch: { stroke: undefined } })),
    Rows: ({ on: { guide } }) => (guide.stroke ? <StrokeRows guide={guide} stroke={guide.stroke} /> : null),
  },
  {
    id: 'lane',
    title: 'Lane',
    about: 'A width about the guide that its riders stay within; the Checks card says where they leave it.',
    also: 'corridor road track width rail keep inside bounds',
    picture: WAYS.wave,
    has: ({ guide }) => guide.corridor !== null,
    add: (desk, { guide }) =>
      change(desk, 'Add a lane', (scene) => setGuide(scene, { id: guide.id, patch: { corridor: FIRST_LANE } })),
    remove: (desk, { guide }) =>
      change(desk, 'Remove the lane', (scene) => setGuide(scene, { id: guide.id, patch: { corridor: null } })),
    Rows: ({ on: { guide } }) => <LaneRow guide={guide} />,
  },
  {
    id: 'guide-carrier',
    title: 'Carried by a rider',
    about: 'The guide and all that ride it move with a rider.',
    also: 'parent attach orbit moon wheel moving path',
    picture: WAYS.round,
    fits: ({ guide }, scene) => !guide.link && scene.riders.some((one) => one.guide !== guide.id),
    has: ({ guide }) => guide.carrier !== null,
    remove: (desk, { guide }) =>
      void perform(desk, 'Remove the guide’s carrier', carryGuide, {
        guide: guide.id,
        carrier: null,
        time: desk.playback.time,
      }),
    Rows: ({ on }) => <GuideCarrier guide={on.guide} />,
  },
  {
    id: 'depth',
    title: 'Perspective',
    about: 'Riders are smaller where the guide is far away.',
    also: 'depth scale far near distance 3d size along',
    picture: WAYS.hill,
    has: ({ guide }) => guide.depth !== null,
    add: (desk, { guide }) =>
      change(desk, 'Add perspective', (scene) =>
        setGuide(scene, { id: guide.id, patch: { depth: firstDepth(guide) } }),
      ),
    remove: (desk, { guide }) =>
      change(desk, 'Remove perspective', (scene) => setGuide(scene, { id: guide.id, patch: { depth: null } })),
    Rows: ({ on: { guide } }) => (guide.depth ? <DepthRows guide={guide} depth={guide.depth} /> : null),
  },
  {
    id: 'roundness',
    title: 'Roundness',
    about: 'How round the line runs through its nodes: from straight to a smooth curve.',
    also: 'curve corner tension round',
    picture: WAYS.wave,
    fits: (on, scene) => on.guide.nodes.length > 2 && canBend(on, scene),
    has: (on, scene) => strokeOf(on) !== undefined && canBend(on, scene),
    Rows: ({ on: { guide } }) => <RoundRow key={guide.id} guide={guide} />,
  },
  {
    id: 'transform',
    title: 'Scale and rotate',
    about: 'The selected guides or nodes, in numbers.',
    also: 'size bigger smaller turn transform',
    picture: WAYS.shape,
    fits: canBend,
    Rows: () => <TransformRows />,
  },
  {
    id: 'smooth',
    title: 'Simplify and smooth',
    about: 'Fewer nodes, an evener line, tried out as you move the slider.',
    also: 'fair clean reduce points jitter wobble even',
    picture: WAYS.wave,
    fits: canBend,
    Rows: ({ on }) => <SmoothRows {...on} />,
  },
];
