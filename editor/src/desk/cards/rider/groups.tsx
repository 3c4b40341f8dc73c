import {
  carryRider,
  clockInside,
  guideById,
  isLinkedTo,
  replaceEntrance,
  setCamera,
  setPace,
  setRider,
  stringRider,
  type Art,
  type Rider,
} from '@pace-line/core';
import { change, perform } from '../../actions/change.ts';
import { sceneOf, type Desk } from '../../desk.ts';
import type { CardGroup } from '../groups/group.ts';
import { WAYS } from '../groups/ways.ts';
import { BehindRows } from './BehindRows.tsx';
import { areasFor, boundOf, BoundsRows, changeBound } from './BoundsRows.tsx';
import { CarriedRows } from './CarriedRows.tsx';
import { ClipRow } from './ClipRow.tsx';
import { CopiesRows } from './CopiesRows.tsx';
import { EntranceRows } from './EntranceRows.tsx';
import { InsideRow } from './InsideRow.tsx';
import { LookRow } from './LookRow.tsx';
import { LinkedRow, MovementRows } from './MovementRows.tsx';
import { LiftRows, RaiseRow, ShiftRow } from './OffsetGroups.tsx';
import { ParallaxRow } from './ParallaxRow.tsx';
import { PosesRows } from './PosesRows.tsx';
import { FIRST_ROLL, RollRows } from './RollRows.tsx';
import { FIRST_SQUASH, SquashRows } from './SquashRows.tsx';
import { StringRows } from './StringRows.tsx';

/** What the rider card is about. */
export interface OnRider {
  readonly rider: Rider;
  readonly art: Art;
}

type Patch = Parameters<typeof setRider>[1]['patch'];

const patch = (desk: Desk, { rider }: OnRider, label: string, next: Patch): void =>
  change(desk, label, (scene) => setRider(scene, { id: rider.id, patch: next }));

const rides = ({ rider }: OnRider): boolean => rider.guide !== null;

/** All that a rider can have beyond what everyone needs, in the order in which the card shows it. */
export const RIDER_GROUPS: readonly CardGroup<OnRider>[] = [
  {
    id: 'poses',
    title: 'Poses',
    about: 'Drawings one after another, by time, or by distance so that feet do not slide.',
    also: 'walk cycle frames stride sprite',
    picture: WAYS.steps,
    fits: ({ art }) => art.kind === 'strip',
    has: ({ art }) => art.kind === 'strip',
    Rows: ({ on }) => <PosesRows {...on} />,
  },
  {
    id: 'inside',
    title: 'Inner loop',
    about: 'The speed of the scene that is nested in it.',
    also: 'nested inside speed symbol',
    picture: WAYS.round,
    fits: ({ rider }, scene) => clockInside(scene, rider.id) !== undefined,
    has: ({ rider }, scene) => clockInside(scene, rider.id) !== undefined,
    Rows: ({ on }) => <InsideRow rider={on.rider} />,
  },
  {
    id: 'roll',
    title: 'Roll',
    about: 'Turns as far as it goes: wheels, balls, barrels.',
    also: 'wheel ball barrel spin rotate drum',
    picture: WAYS.roll,
    fits: rides,
    has: ({ rider }) => rider.roll !== null && rider.guide !== null,
    add: (desk, on) => patch(desk, on, 'Roll', { roll: FIRST_ROLL }),
    remove: (desk, on) => patch(desk, on, 'Remove roll', { roll: null }),
    Rows: ({ on }) => (on.rider.roll ? <RollRows rider={on.rider} roll={on.rider.roll} /> : null),
  },
  {
    id: 'squash',
    title: 'Squash and stretch',
    about: 'By keyframes, or with its speed; its area stays.',
    also: 'bounce deform elastic jelly smear',
    picture: WAYS.bounce,
    has: ({ rider }) => rider.squash !== null,
    add: (desk, on) => patch(desk, on, 'Squash and stretch', { squash: FIRST_SQUASH }),
    remove: (desk, on) => patch(desk, on, 'Remove squash and stretch', { squash: null }),
    Rows: ({ on }) => (on.rider.squash ? <SquashRows {...on} squash={on.rider.squash} /> : null),
  },
  {
    id: 'entrance',
    title: 'Entrance',
    about: 'Comes in once, before the loop begins.',
    also: 'appear intro lead-in fly in fade in enter start',
    picture: WAYS.enter,
    has: ({ rider }) => rider.entrance !== null,
    add: (desk, { rider }) =>
      change(desk, 'Add an entrance', (scene) => replaceEntrance(scene, { rider: rider.id, entrance: {} })),
    remove: (desk, { rider }) =>
      change(desk, 'Remove the entrance', (scene) => replaceEntrance(scene, { rider: rider.id, entrance: null })),
    Rows: ({ on }) => (on.rider.entrance ? <EntranceRows rider={on.rider} entrance={on.rider.entrance} /> : null),
  },
  {
    id: 'behind',
    title: 'Behind another rider',
    about: 'Passes behind it for a stretch of its guide.',
    also: 'order stacking depth z-index under below occlude',
    picture: WAYS.crossing,
    fits: (on, scene) => rides(on) && scene.riders.length > 1,
    has: ({ rider }) => rider.behind.length > 0,
    remove: (desk, on) => patch(desk, on, 'Remove behind', { behind: [] }),
    Rows: ({ on }) => <BehindRows rider={on.rider} />,
  },
  {
    id: 'clip',
    title: 'Clip to a guide',
    about: 'Seen only inside a closed guide, or only outside it.',
    also: 'mask window crop hide reveal',
    picture: WAYS.round,
    fits: (_, scene) => scene.guides.some(({ closed }) => closed),
    has: ({ rider }) => rider.inside !== null,
    remove: (desk, on) => patch(desk, on, 'Remove the clip', { inside: null }),
    Rows: ({ on }) => <ClipRow rider={on.rider} />,
  },
  {
    id: 'bounds',
    title: 'Stays within an area',
    about:
      'Checked against a lane, a closed guide or a drawing: the Checks card says where it leaves it, or enters it.',
    also: 'corridor bounds road region keep inside outside avoid obstacle collision',
    picture: WAYS.wave,
    fits: ({ rider }, scene) => areasFor(scene, rider).length > 0 || boundOf(scene, rider) !== undefined,
    has: ({ rider }, scene) => boundOf(scene, rider) !== undefined,
    add: (desk, { rider }) => {
      const scene = sceneOf(desk);
      const [first] = areasFor(scene, rider);
      if (first) changeBound(desk, scene, rider, { side: 'in', area: first[0], by: 'body' });
    },
    remove: (desk, { rider }) => changeBound(desk, sceneOf(desk), rider, null),
    Rows: ({ on }) => <BoundsRows rider={on.rider} />,
  },
  {
    id: 'carried',
    title: 'Carried by another rider',
    about: 'Moves with it: a passenger, a wheel of a cart.',
    also: 'parent attach child follow passenger group link shadow',
    picture: WAYS.two,
    fits: ({ rider }, scene) => rider.guide === null && !rider.strung && scene.riders.length > 1,
    has: ({ rider }) => rider.carrier !== null,
    remove: (desk, { rider }) =>
      void perform(desk, 'Remove carrier', carryRider, { rider: rider.id, carrier: null, time: desk.playback.time }),
    Rows: ({ on }) => <CarriedRows rider={on.rider} />,
  },
  {
    id: 'strung',
    title: 'Hangs between two riders',
    about: 'A rod, a rope or a pedal arm from one to the other.',
    also: 'string rope connect rod arm line between',
    picture: WAYS.two,
    fits: ({ rider }, scene) => rider.guide === null && !rider.carrier && scene.riders.length > 2,
    has: ({ rider }) => rider.strung !== null,
    remove: (desk, { rider }) =>
      void perform(desk, 'Remove from between two riders', stringRider, {
        rider: rider.id,
        strung: null,
        time: desk.playback.time,
      }),
    Rows: ({ on }) => <StringRows rider={on.rider} />,
  },
  {
    id: 'raise',
    title: 'Raise',
    about: 'Stands on the guide by its feet, at any scale.',
    also: 'feet ground height stand above',
    picture: WAYS.hill,
    fits: rides,
    has: ({ rider }) => rider.raise !== 0,
    remove: (desk, on) => patch(desk, on, 'Remove raise', { raise: 0 }),
    Rows: ({ on }) => <RaiseRow rider={on.rider} />,
  },
  {
    id: 'lift-direction',
    title: 'Offset direction',
    about: 'Lift goes straight up, or rounds off tight bends.',
    also: 'lift up normal rounded parallel',
    picture: WAYS.hill,
    fits: (on) => rides(on) && on.rider.roll === null,
    has: ({ rider }) => rider.guide !== null && rider.roll === null && rider.liftBy !== 'normal',
    remove: (desk, on) => patch(desk, on, 'Remove offset direction', { liftBy: 'normal' }),
    Rows: ({ on }) => <LiftRows rider={on.rider} />,
  },
  {
    id: 'shift',
    title: 'Fixed offset',
    about: 'A distance from its place that does not turn with the guide: a shadow, a label.',
    also: 'shadow label offset beside below drop shadow',
    picture: WAYS.two,
    fits: rides,
    has: ({ rider }) => rider.guide !== null && (rider.shift[0] !== 0 || rider.shift[1] !== 0),
    remove: (desk, on) => patch(desk, on, 'Remove the fixed offset', { shift: [0, 0] }),
    Rows: ({ on }) => <ShiftRow rider={on.rider} />,
  },
  {
    id: 'camera',
    title: 'Camera',
    about: 'What is sent is seen through it; hold X to look.',
    also: 'pan zoom follow view shot',
    picture: WAYS.hill,
    has: ({ rider }, scene) => scene.camera === rider.id,
    add: (desk, { rider }) => void perform(desk, 'Use as camera', setCamera, { rider: rider.id }),
    remove: (desk) => void perform(desk, 'Remove the camera', setCamera, { rider: null }),
    Rows: () => (
      <p className="card-note">
        What is sent shows as much as the canvas, about its pivot, turned and scaled with it. X, held, shows that. Its
        own drawing is left out; choose Sent on this card to have it in the picture.
      </p>
    ),
  },
  {
    id: 'parallax',
    title: 'Parallax',
    about: 'The camera moves it less, or more: far hills, near reeds.',
    also: 'depth background layer far near',
    picture: WAYS.hill,
    fits: ({ rider }, scene) => scene.camera !== null && scene.camera !== rider.id,
    has: ({ rider }, scene) => scene.camera !== null && scene.camera !== rider.id && rider.parallax !== 1,
    remove: (desk, on) => patch(desk, on, 'Remove parallax', { parallax: 1 }),
    Rows: ({ on }) => <ParallaxRow rider={on.rider} />,
  },
  {
    id: 'linked',
    title: 'Linked marks',
    about: 'Shares its marks with its copies.',
    also: 'instance linked copies',
    picture: WAYS.train,
    fits: ({ rider }) => rider.pace.link !== null,
    has: ({ rider }, scene) => rider.pace.link !== null && scene.riders.some((one) => isLinkedTo(one, rider)),
    remove: (desk, { rider }) =>
      void perform(desk, 'Unlink marks', setPace, { rider: rider.id, patch: { link: null } }),
    Rows: ({ on }) => <LinkedRow rider={on.rider} />,
  },
  {
    id: 'copies',
    title: 'Copies along the guide',
    about: 'Many of it, spread along its guide: a train, a queue, a swarm.',
    also: 'duplicate repeat array clone stagger many train',
    picture: WAYS.train,
    fits: rides,
    Rows: ({ on }) => <CopiesRows rider={on.rider} />,
  },
  {
    id: 'copy-motion',
    title: 'Copy motion from another rider',
    about: 'Takes over its guide, pace, heading and keyframes, all or some.',
    also: 'same motion paste animation duplicate copy move like',
    picture: WAYS.two,
    fits: (_, scene) => scene.riders.length > 1,
    Rows: ({ on }) => <MovementRows rider={on.rider} />,
  },
  {
    id: 'look',
    title: 'Preview along the guide',
    about: 'Stands it anywhere on its guide, to look; nothing is changed.',
    also: 'scrub try look test',
    picture: WAYS.hill,
    fits: (on, scene) => guideById(scene, on.rider.guide) !== undefined,
    Rows: ({ on }) => <LookRow rider={on.rider} />,
  },
];
