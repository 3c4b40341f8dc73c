import { writeScene } from '@pace-line/core';
import { add, click, drop, goTo, keyframe, keys, pick, press, value, watch } from './acts.ts';
import { shows, tells, type Recipe } from './recipe.ts';
import { boatOnArch, startWith, WAYS_OF_STARTS } from './starts.ts';

const LANTERN = startWith({
  canvas: { width: 320, height: 180, background: null },
  guides: [{ name: 'Lantern', d: 'M60 120C110 20 210 20 260 120' }],
  riders: [{ art: 'lamp', on: 'Lantern', heading: {} }],
  clock: { duration: 2, repeat: 'there-and-back' },
});

/** Recipes for what belongs together: carriers, mechanisms, scenes in scenes. */
export const JOINING: readonly Recipe[] = [
  {
    id: 'carry',
    title: 'Let one carry another',
    picture: [
      {
        d: 'M14 80C80 60 160 60 226 80',
        art: 'square',
        level: true,
        marks: [
          [0, 0],
          [3.4, 1],
        ],
      },
    ],
    start: () => boatOnArch({ riders: [{ art: 'lamp', at: [140, 420] }] }),
    steps: [
      shows(
        'Park the lamp where it belongs on the boat, select it, and on the Rider card, Add… “Carried by another rider”: the boat. It stays where it is, and goes along from there.',
        goTo(0),
        click(140, 404),
        add('rider', 'Carried by another rider'),
        pick('rider.carrier', 'Boat'),
      ),
      shows(
        'Say what it takes over: without turn a lamp hangs upright on a boat that pitches.',
        press('rotation'),
        watch(),
      ),
      tells(
        'A guide can be carried as well (Guide card), with all that rides it and the line that is drawn of it: a small loop inside of a moving thing. Its nodes are shaped where they are seen; time stands still while one is held.',
      ),
    ],
  },
  {
    id: 'nest',
    title: 'Put a scene into a scene',
    picture: [
      { d: 'M40 30H200V90H40Z', dash: true, color: '#1F2933' },
      { d: 'M60 76C90 36 150 36 180 76', art: 'boat' },
    ],
    start: () => boatOnArch(),
    steps: [
      shows(
        'Open the Art drawer (L) and choose Nest a scene, or drop a scene file while it is open. It comes as one rider that carries all of it.',
        keys('l'),
        drop('lantern.paceline.json', 'application/json', () => writeScene(LANTERN)),
      ),
      tells(
        'What reaches beyond its edges is cut off there; who is to be seen beyond them is set to be seen everywhere on its own Rider card.',
      ),
      shows(
        'The Rider card says under “Inner loop” how long its longest loop takes: all within it runs faster or slower together.',
        keys('Escape'),
        value('rider.inside', '3'),
        watch(),
      ),
    ],
  },
  {
    id: 'attach-later',
    title: 'Pick something up on the way',
    picture: [{ d: 'M14 80C80 60 160 60 226 80', art: 'square', level: true }],
    start: () =>
      boatOnArch({
        riders: [
          { art: 'lamp', name: 'Waiting lamp', at: [640, 250] },
          { art: 'lamp', at: [640, 250] },
        ],
      }),
    steps: [
      shows(
        'Park the thing where it is picked up, and bring the playhead to that moment: there it is carried from where it stands.',
        goTo(2),
        click(640, 236),
        add('rider', 'Carried by another rider'),
        pick('rider.carrier', 'Boat'),
      ),
      shows(
        'Until then another one stands there: hide the carried one by a keyframe of Opacity, 0 before and 100 % from then on.',
        keyframe('rider.opacity'),
        goTo(1.9),
        value('rider.opacity', '0'),
      ),
      shows(
        'The one that waits stands in the same place. Select it in Contents, and hide it by the same keyframes the other way round.',
        press('Contents'),
        press('Waiting lamp'),
        keyframe('rider.opacity'),
        goTo(2),
        value('rider.opacity', '0'),
        press('Close Contents'),
        watch(),
      ),
    ],
  },
  {
    id: 'orbits',
    title: 'Let moons circle what moves',
    picture: [
      { d: 'M20 60H220', art: 'lamp', level: true },
      { d: 'M120 30C150 30 150 84 120 84S90 30 120 30Z', art: 'square' },
    ],
    start: () =>
      boatOnArch({
        guides: [
          { name: 'Canal', d: WAYS_OF_STARTS.arch },
          { name: 'Orbit', d: 'M140 380C273 380 273 580 140 580S7 380 140 380Z' },
        ],
        riders: [{ art: 'moon', on: 'Orbit' }],
      }),
    steps: [
      shows(
        'Draw the orbit round the thing and put the moon on it. Select the orbit, and on the Guide card, Add… “Carried by a rider”.',
        goTo(0),
        press('Orbit', 'Routes'),
        add('guide', 'Carried by a rider'),
        pick('guide.carrier', 'Boat'),
      ),
      shows(
        'The orbit and all that ride it go along. “Its pivot” puts its middle on the pivot of its carrier.',
        watch(),
      ),
      shows(
        'A moon that is faster has a cycle of its own: on the Pace card, Add… “Own cycle”.',
        press('Orbit', 'Routes'),
        add('pace', 'Own cycle'),
        value('pace.cycle', '2'),
        watch(),
      ),
    ],
  },
  {
    id: 'mechanism',
    title: 'Build a mechanism',
    picture: [
      { d: 'M60 30C90 30 90 84 60 84S30 30 60 30Z', art: 'square' },
      {
        d: 'M120 57H220',
        art: 'square',
        marks: [
          [0, 0],
          [2, 1],
          [4, 0],
        ],
      },
    ],
    start: () =>
      startWith({
        guides: [
          { name: 'Crank', d: 'M400 260C533 260 533 460 400 460S267 260 400 260Z' },
          { name: 'Slide', d: 'M640 360H940' },
        ],
        riders: [
          { art: 'moon', on: 'Crank', name: 'Pin' },
          {
            art: 'cart',
            on: 'Slide',
            name: 'Piston',
            marks: [
              [0, 0.33],
              [2, 0.67],
              [4, 0.33],
            ],
          },
          { art: 'rod', at: [600, 160] },
        ],
      }),
    steps: [
      tells(
        'What turns rides a round guide, what slides a straight one; their marks say how far each is at each moment.',
      ),
      shows(
        'Select the rod, and on the Rider card, Add… “Hangs between two riders”: from the pin to the piston.',
        goTo(0),
        click(600, 160),
        add('rider', 'Hangs between two riders'),
        pick('rider.strung.from', 'Pin'),
        pick('rider.strung.to', 'Piston'),
      ),
      shows(
        'It turns with both, and is stretched to reach, or keeps its length, as you say.',
        pick('rider.strung.stretch', 'yes'),
        watch(),
      ),
    ],
  },
  {
    id: 'entrance',
    title: 'Let it enter before the loop',
    picture: [
      {
        d: 'M40 96L40 60L226 60',
        art: 'square',
        level: true,
        marks: [
          [0, 0],
          [0.5, 0.16],
          [1.1, 0.16],
          [3.4, 1],
        ],
      },
    ],
    start: () => boatOnArch(),
    steps: [
      shows(
        'On the Rider card, Add… “Entrance”: from where, how large, how opaque and rotated it comes, after how long and by which easing. All stand where the loop begins until the last has entered.',
        press('Canal', 'Routes'),
        add('rider', 'Entrance'),
        value('rider.entrance.from', '-200'),
      ),
      tells(
        'To come along a guide of its own, the first time alone: give it its pace there and on the Pace card, Add… “First round”: plays once, before the loop. It stays where its pace ends, and the others run meanwhile.',
      ),
      tells(
        'Riders that follow each other, each later, are “hidden until it starts” the first time; copies that start later can be made so at once.',
      ),
      shows(
        'The arrow beside Play, or Shift Space, plays the lead-in and the loop after it.',
        press('Play the lead-in'),
        watch(),
      ),
      tells(
        'Every web format but Lottie plays it once; films and pictures have it where they begin below 0; of the others Send says that they begin with the loop.',
      ),
    ],
  },
];
