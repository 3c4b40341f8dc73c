import { KEY_CHANNELS, setPace, type Rider } from '@pace-line/core';
import { change } from '../../actions/change.ts';
import type { Desk } from '../../desk.ts';
import type { CardGroup } from '../groups/group.ts';
import { WAYS } from '../groups/ways.ts';
import { CycleRows, RepeatRows, SpeedRow, StepRow } from './CycleRows.tsx';
import { FirstRows } from './FirstRows.tsx';
import { SeveralRows, SquashRow } from './MarksRow.tsx';

/** What the pace card is about. */
export interface OnPace {
  readonly rider: Rider;
  /** Selected marks; the one that the card shows, where none is. */
  readonly chosen: readonly string[];
  readonly mark: string | undefined;
}

const patch = (desk: Desk, { rider }: OnPace, label: string, next: Parameters<typeof setPace>[1]['patch']): void =>
  change(desk, label, (scene) => setPace(scene, { rider: rider.id, patch: next }));

/** Whether anything of a rider changes in its own time. */
export const hasOwnTime = ({ keys, poses, guide }: Rider): boolean =>
  guide !== null || poses.by === 'time' || KEY_CHANNELS.some((channel) => keys[channel].length > 0);

const isTimed = ({ rider }: OnPace): boolean => hasOwnTime(rider);

/** All that a pace can have beyond what everyone needs. */
export const PACE_GROUPS: readonly CardGroup<OnPace>[] = [
  {
    id: 'repeat',
    title: 'Rider’s repeat',
    about: 'Repeats otherwise than the scene: there and back, once, so many rounds.',
    also: 'loop ping pong yoyo once times rounds',
    picture: WAYS.round,
    fits: isTimed,
    has: ({ rider }) => rider.pace.repeat !== null || rider.pace.times !== null,
    remove: (desk, on) => patch(desk, on, 'Remove rider’s repeat', { repeat: null, times: null }),
    Rows: ({ on }) => <RepeatRows rider={on.rider} />,
  },
  {
    id: 'cycle',
    title: 'Own cycle',
    about: 'A loop of its own length within the scene’s.',
    also: 'length different loop period faster slower cycle',
    picture: WAYS.two,
    fits: isTimed,
    has: ({ rider }) => rider.pace.cycle !== null,
    remove: (desk, on) => patch(desk, on, 'Remove own cycle', { cycle: null }),
    Rows: ({ on }) => <CycleRows rider={on.rider} />,
  },
  {
    id: 'first',
    title: 'First round',
    about: 'Hidden until it starts, or played once before the loop.',
    also: 'lead-in intro hidden once before loop start',
    picture: WAYS.enter,
    fits: isTimed,
    has: ({ rider: { pace } }) => pace.only || pace.hidden || pace.leadIn !== null,
    remove: (desk, on) => patch(desk, on, 'Remove first round', { only: false, hidden: false, leadIn: null }),
    Rows: ({ on }) => <FirstRows rider={on.rider} />,
  },
  {
    id: 'step',
    title: 'On twos, threes…',
    about: 'Holds each position for some frames, as drawn by hand.',
    also: 'stepped stop motion choppy hold frames animate on twos',
    picture: WAYS.steps,
    fits: isTimed,
    has: ({ rider }) => rider.pace.on !== 1,
    add: (desk, on) => patch(desk, on, 'Change the step', { on: 2 }),
    remove: (desk, on) => patch(desk, on, 'Remove the step', { on: 1 }),
    Rows: ({ on }) => <StepRow rider={on.rider} />,
  },
  {
    id: 'squash-at-mark',
    title: 'Squash at a mark',
    about: 'Squash and stretch where it lands, from how fast it lands.',
    also: 'bounce impact land squash stretch contact',
    picture: WAYS.bounce,
    fits: ({ mark }) => mark !== undefined,
    Rows: ({ on }) => (on.mark === undefined ? null : <SquashRow rider={on.rider} mark={on.mark} />),
  },
  {
    id: 'all-marks',
    title: 'Play backwards, mirror, scale times',
    about: 'All marks at once, or the selected ones.',
    also: 'reverse backwards stretch time retime slow down speed up mirror',
    picture: WAYS.slow,
    fits: ({ rider }) => rider.pace.marks.length > 1,
    Rows: ({ on }) => <SeveralRows rider={on.rider} chosen={on.chosen} />,
  },
  {
    id: 'speed',
    title: 'Change speed',
    about: 'So many times as fast, its marks and keyframes with it.',
    also: 'slow down slower faster double half speed up time scale',
    picture: WAYS.slow,
    fits: isTimed,
    Rows: ({ on }) => <SpeedRow rider={on.rider} />,
  },
];
