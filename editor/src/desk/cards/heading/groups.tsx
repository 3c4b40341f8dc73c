import { setHeading, type Heading, type Rider } from '@pace-line/core';
import { change } from '../../actions/change.ts';
import type { Desk } from '../../desk.ts';
import type { CardGroup } from '../groups/group.ts';
import { WAYS } from '../groups/ways.ts';
import { LimitRow, ReverseRow, SmoothRow } from './TurningRows.tsx';

/** px of guide, and degrees a second, with which both begin. */
const [FIRST_SMOOTHING, FIRST_LIMIT] = [40, 180];

const patch = (desk: Desk, { id, heading }: Rider, label: string, next: Partial<Heading>): void =>
  change(desk, label, (scene) => setHeading(scene, { rider: id, heading: { ...heading, ...next }, keepAngle: null }));

/** What a heading can have beyond what everyone needs. */
export const HEADING_GROUPS: readonly CardGroup<Rider>[] = [
  {
    id: 'smoothing',
    title: 'Smoothing',
    about: 'Turns gently through corners and wobbles.',
    also: 'smooth rotation jitter corner soft turn gentle',
    picture: WAYS.wave,
    fits: ({ heading }) => heading.mode !== 'toward',
    has: ({ heading }) => heading.smooth > 0 && heading.mode !== 'toward',
    add: (desk, rider) => patch(desk, rider, 'Smooth heading', { smooth: FIRST_SMOOTHING }),
    remove: (desk, rider) => patch(desk, rider, 'Do not smooth', { smooth: 0 }),
    Rows: ({ on }) => <SmoothRow rider={on} />,
  },
  {
    id: 'backing-up',
    title: 'When backing up',
    about: 'Turns round to face where it goes, or keeps its facing.',
    also: 'reverse backwards there and back turn round',
    picture: WAYS.hill,
    fits: ({ heading }) => heading.mode !== 'toward',
    has: ({ heading }) => heading.reverse === 'turn' && heading.mode !== 'toward',
    add: (desk, rider) => patch(desk, rider, 'Turn round when backing up', { reverse: 'turn' }),
    remove: (desk, rider) => patch(desk, rider, 'Keep facing when backing up', { reverse: 'keep' }),
    Rows: ({ on }) => <ReverseRow rider={on} />,
  },
  {
    id: 'turn-rate',
    title: 'Turn rate',
    about: 'Turns no faster than so many degrees a second.',
    also: 'limit rotation speed slow turn inertia lag',
    picture: WAYS.shape,
    fits: ({ heading }) => heading.mode !== 'level',
    has: ({ heading }) => heading.limit !== null && heading.mode !== 'level',
    add: (desk, rider) => patch(desk, rider, 'Change turn rate', { limit: FIRST_LIMIT }),
    remove: (desk, rider) => patch(desk, rider, 'Turn at any rate', { limit: null }),
    Rows: ({ on }) => <LimitRow rider={on} />,
  },
];
