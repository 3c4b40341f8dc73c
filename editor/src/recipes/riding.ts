import { add, choose, click, drag, dragIn, goTo, keyframe, keys, pick, press, value, watch } from './acts.ts';
import { shows, tells, type Recipe } from './recipe.ts';
import { LAP } from './pictures.ts';
import { boatOnArch, boatRound, startWith, WAYS_OF_STARTS } from './starts.ts';

/** Recipes for riders: putting them on, turning them, rolling, walking. */
export const RIDING: readonly Recipe[] = [
  {
    id: 'put-on',
    title: 'Put a drawing on it',
    picture: [
      { d: 'M20 84C70 84 70 44 120 44S170 84 220 84' },
      {
        d: 'M120 12L120 44',
        dash: true,
        color: '#1F2933',
        art: 'lamp',
        level: true,
        marks: [
          [0, 0],
          [1.2, 1],
          [4, 1],
        ],
      },
    ],
    start: () => startWith({ guides: [{ name: 'Canal', d: WAYS_OF_STARTS.arch }], art: ['boat'] }),
    steps: [
      tells('Drop an SVG file anywhere on the Desk, or bring it in from the Art drawer.'),
      shows(
        'Drag it from the drawer onto the guide. A line above the canvas says how it sits: on the guide, or where it was dropped. One click changes it.',
        keys('l'),
        dragIn('Boat', 640, 302),
      ),
      shows(
        'On the Rider card, set the pivot: the point of the drawing that runs along the guide.',
        value('rider.pivot', '20'),
        watch(),
      ),
    ],
  },
  {
    id: 'along',
    title: 'Turn it along the curve',
    picture: [{ d: 'M20 84C70 84 70 24 120 24S170 84 220 84', art: 'boat' }],
    start: () =>
      startWith({
        guides: [{ name: 'Canal', d: WAYS_OF_STARTS.hills }],
        riders: [{ art: 'boat', on: 'Canal', heading: {} }],
      }),
    steps: [
      shows(
        'On the Heading card, choose Orientation: along. “Nose first” turns the drawing’s nose into the curve; “angle kept” leaves it as it stands and turns it from there.',
        goTo(2),
        press('Canal', 'Routes'),
        pick('heading.mode', 'along'),
        pick('heading.start', 'nose first'),
      ),
      shows(
        'Say on the same card which way the art was drawn to face. Rotation offset adds a constant angle.',
        value('heading.offset', '8'),
        watch(),
      ),
    ],
  },
  {
    id: 'roll',
    title: 'Let it roll, or stand on two contacts',
    picture: [
      {
        d: 'M14 40C70 40 80 92 130 92S190 70 226 78',
        art: 'lamp',
        marks: [
          [0, 0],
          [3.4, 1],
        ],
      },
    ],
    start: () =>
      startWith({
        guides: [{ name: 'Ramp', d: WAYS_OF_STARTS.hills }],
        riders: [{ art: 'barrel', on: 'Ramp' }],
        clock: { repeat: 'there-and-back' },
      }),
    steps: [
      shows(
        'On the Rider card, Add… “Roll”. Its turns come from the way that it covers, so that it never slides; the radius is that of the drawing, or typed.',
        press('Ramp', 'Routes'),
        add('rider', 'Roll'),
      ),
      shows(
        'The guide is the ground, and the rider is lifted by its radius, or the way of its centre.',
        pick('rider.roll.guide', 'ground'),
        watch(),
      ),
      tells('Where it should close on a loop, the card offers the nearest radius with whole turns.'),
      tells(
        'What has wheels at both ends faces by two contacts (Heading card): both stay on the guide, so far apart as you say.',
      ),
    ],
  },
  {
    id: 'keyframes',
    title: 'Add keyframes on top',
    picture: [
      {
        d: 'M14 70C80 20 160 110 226 60',
        art: 'square',
        marks: [
          [0, 0],
          [1.7, 0.5],
          [3.4, 1],
        ],
      },
    ],
    start: () => boatOnArch(),
    steps: [
      shows(
        'Bring the playhead to the moment. At the end of a value’s row (offset, scale, opacity on the Rider card, rotation on the Heading card) press the cross: it is a keyframe there. At other times type another value: that is a keyframe, too.',
        goTo(0),
        press('Canal', 'Routes'),
        keyframe('rider.scale'),
        goTo(2),
        value('rider.scale', '160'),
      ),
      tells(
        'Keyframes lie in strips under the sheet: drag them in time and value, nudge them by arrows, copy and paste them at the playhead, to other riders too.',
      ),
      tells('A selected keyframe has its easing on the Pace card, and can go with a mark from then on.'),
      shows(
        'Squash and stretch by keyframes keeps the area, about the pivot or a fixed point on the floor; “Squash at this mark” on the Pace card sets the keyframes of a landing.',
        add('rider', 'Squash and stretch'),
      ),
    ],
  },
  {
    id: 'walk',
    title: 'Let it walk, flap or splash',
    picture: [
      {
        d: 'M14 88C70 70 120 100 226 84',
        art: 'square',
        level: true,
        marks: [
          [0, 0],
          [1.6, 0.45],
          [2.2, 0.45],
          [3.4, 1],
        ],
      },
    ],
    start: () =>
      startWith({
        guides: [{ name: 'Bank', d: 'M120 520C400 470 800 560 1160 520' }],
        riders: [{ art: 'walker', on: 'Bank', heading: {} }],
      }),
    steps: [
      tells('In the Art drawer, bring in poses: a file for each, or one sheet that is cut by columns and rows.'),
      shows(
        'On the Rider card, Poses: by distance: they go with the way, so that feet stay where they were set down, however it hastens or waits. The card offers the nearest stride that closes.',
        press('Bank', 'Routes'),
        pick('rider.poses', 'by distance'),
        value('rider.stride', '90'),
        watch(),
      ),
      tells(
        'Poses in time flap on a clock of their own; at a mark they are played once, of this rider or of another: a splash where it lands.',
      ),
      tells('With “Raise” at 50 % of its height, what has its pivot in the middle stands on its feet, at any scale.'),
    ],
  },
  {
    id: 'depth',
    title: 'Go behind, be far away, follow by camera',
    picture: [
      {
        d: LAP,
        art: 'lamp',
        level: true,
        marks: [
          [0, 0],
          [4, 1],
        ],
      },
    ],
    start: () => boatRound({ riders: [{ art: 'reeds', at: [640, 250] }] }),
    steps: [
      shows(
        'Bring the playhead to where it should vanish, and on the Rider card, Add… “Behind another rider”. Bring it on, and press “End here”. With two marks selected it is behind from one to the other.',
        goTo(0.7),
        press('Basin', 'Routes'),
        add('rider', 'Behind another rider'),
        pick('rider.behind', 'Reeds'),
      ),
      shows(
        'On the Guide card, Add… “Perspective”: riders are smaller where it is far away, and slower, if you wish.',
        click(390, 249),
        add('guide', 'Perspective'),
      ),
      tells('Add… “Clip to a guide” on the Rider card: seen inside or outside of a closed guide, as through a window.'),
      tells(
        'Any rider can be the camera: parked, carried, on a guide, with keyframes of rotation and scale. Its outline is on the canvas; X, held, shows what it sees. Riders with a parallax below 100 % are farther away.',
      ),
    ],
  },
  {
    id: 'camera',
    title: 'Follow it with a camera',
    picture: [
      { d: 'M14 78C80 20 160 100 226 40', art: 'boat' },
      { d: 'M30 26H100V70H30Z', dash: true, color: '#A3471F' },
    ],
    start: () =>
      boatOnArch({
        riders: [
          { art: 'reeds', at: [300, 560] },
          { art: 'moon', at: [900, 160] },
        ],
      }),
    steps: [
      shows(
        'Select the rider that the picture should follow, and on the Rider card, Add… “Camera”. Its outline is on the canvas: that is what is sent.',
        press('Canal', 'Routes'),
        add('rider', 'Camera'),
      ),
      shows(
        'Its scale is the zoom, its rotation turns the picture; both take keyframes. X, held, shows what it sees. Its own drawing is left out, unless Sent on its card says otherwise.',
        pick('rider.output', 'yes'),
      ),
      shows(
        'What is far away moves less: select it, and Add… “Parallax” with less than 100 %.',
        click(900, 160),
        add('rider', 'Parallax'),
        value('rider.parallax', '30'),
        watch(),
      ),
    ],
  },
  {
    id: 'bounce',
    title: 'Bounce a ball',
    picture: [
      { d: 'M20 90C30 20 80 20 92 90C100 45 140 45 150 90C156 66 184 66 190 90L226 90', art: 'square', level: true },
    ],
    start: () => startWith({ art: ['barrel'] }),
    steps: [
      shows(
        'In Shape (6), choose Bounces and drag its box: arcs that become lower, as what bounces does. How many and how high is said on the Guide card.',
        keys('6'),
        choose('Shape', 'Bounces'),
        drag([160, 240], [1120, 560]),
      ),
      shows(
        'Put the ball on it (L), and on the Pace card take “hop from mark to mark” for Pace from, then “Land at its corners”: it falls as the arcs say.',
        keys('l'),
        press('Ride Barrel on'),
        pick('pace.recipe', 'hop from mark to mark'),
        press('Land at its corners'),
      ),
      shows(
        '“Squash on landing” on the Pace card flattens it by how fast it lands, and keeps its area.',
        value('pace.landing.squash', '25'),
        watch(),
      ),
    ],
  },
  {
    id: 'arc',
    title: 'Throw something in an arc',
    picture: [
      {
        d: 'M24 90C80 -10 160 -10 216 90',
        art: 'square',
        level: true,
        marks: [
          [0, 0],
          [1.6, 1],
          [4, 1],
        ],
      },
    ],
    start: () => startWith({ riders: [{ art: 'moon', at: [200, 540] }] }),
    steps: [
      shows(
        'Set it down where it leaves, and again where it lands: press 5, move the playhead, and drag it there.',
        click(200, 540),
        keys('5'),
        goTo(1.2),
        drag([200, 540], [1060, 540]),
      ),
      shows(
        'Press 1, and pull the straight span up by its middle: it becomes an arc. Its marks stay with its ends.',
        keys('1'),
        drag([640, 540], [640, 240]),
      ),
      shows(
        'On the Pace card, “gravity on slopes” for Pace from slows it at the top and speeds it up as it falls.',
        press('Way of Moon', 'Routes'),
        pick('pace.recipe', 'gravity on slopes'),
        watch(),
      ),
    ],
  },
  {
    id: 'hills',
    title: 'Ride over hills by its own weight',
    picture: [{ d: 'M14 40C60 40 70 92 110 92S160 56 180 56S210 80 226 80', art: 'square' }],
    start: () =>
      startWith({
        guides: [{ name: 'Hills', d: 'M100 240C220 240 260 560 420 560S620 400 760 400S980 540 1180 540' }],
        riders: [{ art: 'cart', on: 'Hills' }],
      }),
    steps: [
      shows(
        'Draw the hills as one guide, put the cart on it, and on the Heading card choose “two contacts”: both wheels stay on the ground.',
        press('Hills', 'Routes'),
        pick('heading.mode', 'two contacts'),
        value('heading.contacts', '72'),
      ),
      shows(
        'On the Pace card, Pace from: gravity on slopes. Friction and the speed at which it starts are beside it; it says where it would come to a stand.',
        pick('pace.recipe', 'gravity on slopes'),
        watch(),
      ),
    ],
  },
];
