import { add, appears, click, clickWith, goTo, keys, onSheet, pick, press, value, vanishes, watch } from './acts.ts';
import { shows, tells, type Recipe } from './recipe.ts';
import { ROUND } from './pictures.ts';
import { boatOnArch, boatRound, crowdedLanes, startWith, WAYS_OF_STARTS } from './starts.ts';

/** Recipes for pace: when a rider is where. */
export const PACING: readonly Recipe[] = [
  {
    id: 'pace',
    title: 'Shape its pace',
    picture: [
      {
        d: 'M20 54H220',
        art: 'boat',
        marks: [
          [0, 0],
          [1, 0.5],
          [2.2, 0.5],
          [3.6, 1],
        ],
      },
    ],
    start: () =>
      startWith({
        guides: [{ name: 'Canal', d: WAYS_OF_STARTS.line }],
        riders: [{ art: 'boat', on: 'Canal' }],
        clock: { repeat: 'there-and-back' },
      }),
    steps: [
      shows(
        'The sheet shows time across and the way along the guide upwards: a steep line is fast, a flat one rests.',
        press('Canal', 'Routes'),
      ),
      shows(
        'Press on the line to set a mark there; drag the mark in time and place.',
        onSheet([2, 500]),
        onSheet([2, 500], [1.2, 500]),
      ),
      shows(
        'Drag the line itself to bend it: a small square holds what you pulled. Press the square to make it sharp or smooth again, with Shift to take it away; its arms turn it.',
        onSheet([2.6, 750], [2.9, 620]),
      ),
      shows(
        'Drag the stroke beside a mark to let the rider rest. Choose on the Pace card how it goes on from there: the small curve opens all easings, how strong each is, and its text.',
        onSheet([1.2, 500]),
        value('pace.rest', '0.6'),
      ),
      shows(
        'Both ends of the loop are repeated beyond the rules at 0 and at the end: a kink there is a seam that shows.',
        watch(),
      ),
    ],
  },
  {
    id: 'pace-recipe',
    title: 'Let a recipe make the pace',
    picture: [
      {
        d: 'M14 30C50 30 60 96 96 96S134 52 160 52S196 92 226 92',
        art: 'lamp',
        marks: [
          [0, 0],
          [1.4, 0.4],
          [2.6, 0.66],
          [3.6, 1],
        ],
      },
    ],
    start: () =>
      startWith({ guides: [{ name: 'Road', d: WAYS_OF_STARTS.hairpin }], riders: [{ art: 'cart', on: 'Road' }] }),
    steps: [
      tells(
        'Set the marks where it starts and where it ends, and between them only those that it must touch or rest at.',
      ),
      shows(
        'On the Pace card, Pace from: constant speed; gravity on slopes, as a barrel or a cart has it; slow in bends, as a careful driver is; or hop from mark to mark, as a ball on arcs (the shape Bounces draws such arcs, and “Land at its corners” sets the marks).',
        press('Road', 'Routes'),
        pick('pace.recipe', 'slow in bends'),
        watch(),
      ),
      tells(
        'What hops lands as it falls. To land on a beat, set a mark’s time: the arcs beside it are gone through as fast as that asks, or, with “as set, by height” at Lands, become as high.',
      ),
      tells('It follows the guide when that is bent, and fits the time of its last mark, or has speeds of its own.'),
      shows(
        '“Convert to marks” makes marks and easings of it, to be shaped by hand from then on.',
        press('Convert to marks'),
        watch(),
      ),
    ],
  },
  {
    id: 'tempo',
    title: 'Keep time',
    picture: [
      {
        d: 'M24 84C60 20 96 20 120 60S190 92 216 30',
        art: 'lamp',
        level: true,
        marks: [
          [0, 0],
          [1, 0.3],
          [2, 0.62],
          [3, 1],
        ],
      },
    ],
    start: () => boatOnArch(),
    steps: [
      shows(
        'On the Scene card, Add… “Tempo” and type beats a minute: they are lines on the sheet, and marks that are dragged keep to them, and to other riders’ marks. Hold Ctrl to switch that off.',
        add('scene', 'Tempo'),
        value('scene.beats', '90'),
      ),
      tells(
        'Choose several marks and stretch them about the first or the playhead, reverse them in time, or mirror them along the guide.',
      ),
      shows(
        'A rider is made slower by a factor without touching the others; its poses may stay on twos, threes or more frames.',
        press('Canal', 'Routes'),
        add('pace', 'On twos, threes…'),
        watch(),
      ),
      shows(
        'With Alt, press the guide of the selected rider: it is there at the playhead. Drawn with Alt, a spacing tick bends the pace; how many frames go along is set beside the snapping.',
        goTo(1),
        clickWith('Alt', 640, 300),
      ),
    ],
  },
  {
    id: 'compare',
    title: 'Compare two ways of moving',
    picture: [
      {
        d: 'M20 84C80 84 120 30 220 30',
        art: 'boat',
        marks: [
          [0, 0],
          [1.2, 0.7],
          [3.6, 1],
        ],
      },
    ],
    start: () => boatOnArch(),
    steps: [
      shows(
        'Press G: the scene as it is now is held as a ghost, faint on the canvas and dashed on the sheet.',
        press('Canal', 'Routes'),
        keys('g'),
      ),
      shows(
        'Change what you like while both play. Shift G swaps them, as often as you want; G removes the ghost, and what is there stays.',
        pick('pace.ease', 'sine'),
        watch(),
        keys('Shift+G'),
        keys('Shift+G'),
      ),
      shows(
        'The chart button above the sheet shows speed, acceleration and turn rate under it, over the same time or along the guide. Drag the limit that they should keep to; “Go to…” brings the playhead to a peak or a stop.',
        press('Charts'),
      ),
      tells(
        'The table of marks (Pace card) has times, places and speeds in exact numbers, and takes a list of times and positions as text: px, shares such as 20 %, or names of nodes.',
      ),
    ],
  },
  {
    id: 'stations',
    title: 'Stop at stations',
    picture: [
      {
        d: 'M20 84C70 84 70 30 120 30S170 84 220 84',
        art: 'boat',
        marks: [
          [0, 0],
          [0.4, 0],
          [1.4, 0.5],
          [2.2, 0.5],
          [3.4, 1],
        ],
      },
    ],
    start: () =>
      startWith({
        guides: [{ name: 'Canal', d: 'M140 440C300 440 400 280 640 280S980 440 1140 440' }],
        riders: [{ art: 'boat', on: 'Canal' }],
        clock: { duration: 6, repeat: 'there-and-back' },
      }),
    steps: [
      shows(
        'Select the node where it should stop and name it on the Guide card: a named node is a rule on the sheet.',
        click(360, 360),
        click(640, 280),
        value('guide.node.name', 'Market'),
      ),
      shows(
        'Press its pace line where it meets that rule: the mark belongs to the node, and stays with it when the guide is bent.',
        press('Canal', 'Routes'),
        goTo(3),
        press('Add at playhead'),
        value('pace.place', 'Market'),
      ),
      shows(
        'Say how long it rests there, on the Pace card. Its times stay where they are; the legs beside are as fast as that asks.',
        value('pace.rest', '1'),
        watch(4),
      ),
    ],
  },
  {
    id: 'race',
    title: 'Let two race on one guide',
    picture: [
      { d: 'M20 40H220', art: 'boat' },
      {
        d: 'M20 80H220',
        art: 'square',
        marks: [
          [0, 0],
          [2, 0.3],
          [3.4, 1],
        ],
      },
    ],
    start: () => boatRound({ riders: [{ art: 'cart', on: 'Basin', name: 'Cart' }] }),
    steps: [
      shows(
        'Both ride the same guide. Select one, and move it to the side with Offset: lift, so that they can pass each other.',
        press('Basin', 'Routes'),
        press('Boat + 1'),
        press('Cart'),
        value('rider.lift', '46'),
      ),
      shows(
        'On the sheet each is a line; where two cross, one overtakes the other. Set a mark, and drag it later: it falls behind, and catches up.',
        onSheet([2, 1025]),
        onSheet([2, 1025], [2, 700]),
      ),
      shows('The Checks card says who meets whom, where, and at what difference of speed.', watch()),
    ],
  },
  {
    id: 'put-right',
    title: 'Put right what the checks find',
    picture: [
      { d: 'M20 54H220', art: 'boat' },
      {
        d: 'M20 72H220',
        art: 'square',
        marks: [
          [0, 1],
          [3.4, 0],
        ],
      },
    ],
    start: crowdedLanes,
    steps: [
      shows(
        'The Checks card lists what is wrong, here a clearance and a corridor. Press a finding: the playhead stands where it happens, and the canvas shows the place.',
        appears('Clearance', 'checks'),
        press('Clearance', 'checks'),
      ),
      shows(
        '“put it right…” looks for the smallest changes after which it is gone and nothing else is worse. Point at one to see it as a ghost; press it to take it.',
        press('put it right…', 'checks'),
        appears('Lift ', 'checks'),
        press('Lift ', 'checks'),
      ),
      shows(
        'The same for the lane that is left: its width is “Lane” on the Guide card.',
        vanishes('Clearance', 'checks'),
        press('put it right…', 'checks'),
        appears('Lift Moon', 'checks'),
        press('Lift Moon', 'checks'),
      ),
      shows(
        'Where something is meant to be as it is, press “meant so”, and say why: it stays in the scene’s file.',
        watch(),
      ),
    ],
  },
  {
    id: 'two-on-one',
    title: 'Two on one guide, half a lap apart',
    picture: ROUND,
    start: () => boatRound(),
    steps: [
      shows(
        'Select the rider and duplicate it (Ctrl D): it is on the same guide, with the same pace.',
        press('Basin', 'Routes'),
        keys('Control+d'),
      ),
      shows(
        'Give the copy a Delay of half the loop on the Pace card. On a closed guide it is then half a lap behind, for ever.',
        value('pace.delay', '2'),
        watch(),
      ),
    ],
  },
  {
    id: 'train',
    title: 'Make a train',
    picture: [{ d: 'M20 84C70 84 70 30 120 30S170 84 220 84', art: 'square' }],
    start: () =>
      startWith({
        guides: [{ name: 'Rails', d: WAYS_OF_STARTS.round }],
        riders: [{ art: 'cart', on: 'Rails' }],
        clock: { duration: 6 },
      }),
    steps: [
      shows(
        'Select the first of the train, and on the Rider card, Add… “Copies along the guide”.',
        press('Rails', 'Routes'),
        add('rider', 'Copies along the guide'),
      ),
      shows(
        'Say how many, take “train” for Spacing, and the gap from one to the next: they keep it through every bend and stop.',
        value('rider.copies', '4'),
        pick('rider.copies.by', 'train'),
        value('rider.copies.gap', '128'),
        press('Create'),
      ),
      shows('Linked copies share their marks: what is changed on one is changed on all.', watch()),
    ],
  },
];
