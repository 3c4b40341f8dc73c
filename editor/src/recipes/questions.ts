import { add, click, enter, goTo, keyframe, keys, pick, press, value, watch } from './acts.ts';
import { shows, tells, type Recipe } from './recipe.ts';
import type { Way } from '../look/way-pictures.ts';
import { ACROSS, ROUND } from './pictures.ts';
import { boatOnArch, boatRound, startWith } from './starts.ts';

const over: readonly Way[] = [{ d: ACROSS, art: 'boat' }];
const back: readonly Way[] = [
  {
    d: ACROSS,
    art: 'boat',
    marks: [
      [0, 1],
      [3.6, 0],
    ],
  },
];
const two: readonly Way[] = [
  { d: ACROSS, art: 'boat' },
  { d: 'M24 94C74 46 154 46 224 78', art: 'square', dash: true },
];

/** Small questions, each answered in a few presses. */
export const QUESTIONS: readonly Recipe[] = [
  {
    id: 'fade',
    title: 'Fade it in and out',
    picture: over,
    start: () => boatOnArch(),
    steps: [
      shows(
        'Select the rider. On the Rider card, press the cross beside Opacity where it should begin to fade: that sets a keyframe.',
        goTo(0),
        press('Canal', 'Routes'),
        keyframe('rider.opacity'),
      ),
      shows(
        'Move the playhead and type another opacity: that is the next keyframe. It stands as a tick on its strip under the sheet, and is dragged there.',
        goTo(2),
        value('rider.opacity', '10'),
        watch(),
      ),
    ],
  },
  {
    id: 'shadow',
    title: 'Cast a shadow that follows',
    picture: two,
    start: () => boatOnArch({ riders: [{ art: 'shadow', at: [300, 620] }] }),
    steps: [
      shows(
        'Put the shadow on the canvas as art of its own, and on its Rider card, Add… “Copy motion from another rider”: the one that casts it.',
        click(300, 620),
        add('rider', 'Copy motion from another rider'),
        pick('rider.copy', 'Boat'),
      ),
      shows(
        'Add… “Fixed offset”: it stays that far to the side and down, however the guide turns. Lower its opacity.',
        add('rider', 'Fixed offset'),
        value('rider.shift', '60', 1),
        value('rider.opacity', '30'),
        watch(),
      ),
    ],
  },
  {
    id: 'backwards',
    title: 'Play it backwards',
    picture: back,
    start: () => boatOnArch(),
    steps: [
      shows(
        'The way only: select the guide and press R. Its riders keep their places in time.',
        goTo(0),
        click(421, 329),
        keys('r'),
        watch(),
      ),
      shows(
        'The pace: on the Pace card, Add… “Play backwards, mirror, scale times”, and choose Play backwards: places, rests and easings in the other order.',
        press('Canal', 'Routes'),
        add('pace', 'Play backwards, mirror, scale times'),
        press('Play backwards'),
        watch(),
      ),
    ],
  },
  {
    id: 'slow-place',
    title: 'Make it slow at one place',
    picture: over,
    start: () => boatOnArch(),
    steps: [
      tells(
        'On the strip of speed under the pace line, press where it should be slower and drag down. With the lock closed the leg keeps its duration and is faster elsewhere; open, it takes longer.',
      ),
      shows(
        'In numbers: select the mark before it, and on the Pace card type the speed of the next leg. Where the marks after it no longer fit, lengthening the loop is offered.',
        press('Canal', 'Routes'),
        goTo(2),
        press('Add at playhead'),
        value('pace.legspeed', '200'),
        press('Lengthen the loop to'),
        watch(),
      ),
    ],
  },
  {
    id: 'three-times',
    title: 'Loop it three times only',
    picture: ROUND,
    start: () => boatRound(),
    steps: [
      shows(
        'On the Scene card, Add… “Number of repeats”, and type 3: what is sent then stays at its end. On the Desk it goes on.',
        add('scene', 'Number of repeats'),
        value('scene.times', '3'),
      ),
      shows(
        'For one rider alone: on the Pace card, Add… “Rider’s repeat”, and type its rounds.',
        press('Basin', 'Routes'),
        add('pace', 'Rider’s repeat'),
        value('pace.rounds', '2'),
      ),
    ],
  },
  {
    id: 'half-gif',
    title: 'Send a GIF at half its size',
    picture: ROUND,
    start: () => boatRound(),
    steps: [
      shows(
        'Choose Send, then GIF. Type 0.5 as the scale: the file is written again, and its size is shown beside it.',
        press('Send'),
        press('GIF', 'Formats'),
        enter('Scale', '0.5'),
      ),
    ],
  },
  {
    id: 'several',
    title: 'Change several at once',
    picture: two,
    start: () =>
      boatRound({
        riders: [
          {
            art: 'cart',
            on: 'Basin',
            marks: [
              [0, 0.5],
              [4, 1.5],
            ],
          },
        ],
      }),
    steps: [
      shows(
        'Select them with Shift, by a box, or all with Ctrl A. On the cards, fields say “mixed” where they differ.',
        click(60, 60),
        keys('Control+a'),
      ),
      shows(
        'What you enter is set for all of them, and is one step of undo. What you add with Add… is added to each.',
        value('rider.opacity', '60'),
        add('rider', 'Entrance'),
      ),
    ],
  },
  {
    id: 'by-keys',
    title: 'Work by keys alone',
    picture: [{ d: 'M30 84L90 24L150 84L210 24', drawn: true, art: 'pen', level: true }],
    start: () => startWith({}),
    steps: [
      shows(
        'C brings the keyboard to the canvas, S to the sheet, Shift and a digit to the card with that number.',
        keys('c'),
      ),
      shows(
        'In Plot (2) arrows move a cursor: 1 px, with Shift 10, with Ctrl 100. Enter sets a node; on the first node it closes the guide, a second time in one place it ends it. In Shape (6) Enter begins and ends a drag.',
        keys('2'),
        keys('Enter'),
        keys('Control+ArrowRight'),
        keys('Control+ArrowRight'),
        keys('Enter'),
        keys('Control+ArrowUp'),
        keys('Enter'),
        keys('Enter'),
      ),
      tells(
        'Page down and Page up go from node to node and from mark to mark; arrows move them. After scrubbing, left and right step frames.',
      ),
      tells(
        'A value that was entered stays selected: the next number replaces it. Space plays from there, and Ctrl Z undoes. Ctrl K finds the rest.',
      ),
    ],
  },
];
