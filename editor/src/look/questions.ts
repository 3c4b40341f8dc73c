import type { Recipe } from './recipe.ts';
import type { Way } from './way-pictures.ts';

const LINE = 'M20 78C70 30 150 30 220 62';
const LAP = 'M120 16C170 16 216 33 216 54S170 92 120 92S24 75 24 54S70 16 120 16Z';

const over: readonly Way[] = [{ d: LINE, art: 'boat' }];
const round: readonly Way[] = [
  {
    d: LAP,
    art: 'boat',
    marks: [
      [0, 0],
      [4, 1],
    ],
    ease: { kind: 'steady' },
  },
];
const back: readonly Way[] = [
  {
    d: LINE,
    art: 'boat',
    marks: [
      [0, 1],
      [3.6, 0],
    ],
  },
];
const two: readonly Way[] = [
  { d: LINE, art: 'boat' },
  { d: 'M24 94C74 46 154 46 224 78', art: 'square', dash: true },
];

/** Small questions, each answered in a few presses. */
export const QUESTIONS: readonly Recipe[] = [
  {
    title: 'Fade it in and out',
    picture: over,
    steps: [
      'Select the rider. On the Rider card, press the cross beside Opacity where it should begin to fade: that sets a keyframe.',
      'Move the playhead and type another opacity: that is the next keyframe. It stands as a tick on its strip under the sheet, and is dragged there.',
    ],
  },
  {
    title: 'Cast a shadow that follows',
    picture: two,
    steps: [
      'Put the shadow on the canvas as art of its own, and on its Rider card, Add… “Copy motion from another rider”: the one that casts it.',
      'Add… “Fixed offset”: it stays that far to the side and down, however the guide turns. Lower its opacity.',
    ],
  },
  {
    title: 'Play it backwards',
    picture: back,
    steps: [
      'The way only: select the guide and press R. Its riders keep their places in time.',
      'The pace: on the Pace card, Add… “Play backwards, mirror, scale times”, and choose Play backwards: places, rests and easings in the other order.',
    ],
  },
  {
    title: 'Make it slow at one place',
    picture: over,
    steps: [
      'On the strip of speed under the pace line, press where it should be slower and drag down. With the lock closed the leg keeps its duration and is faster elsewhere; open, it takes longer.',
      'In numbers: select the mark before it, and on the Pace card type the speed of the next leg. Where the marks after it no longer fit, lengthening the loop is offered.',
    ],
  },
  {
    title: 'Loop it three times only',
    picture: round,
    steps: [
      'On the Scene card, Add… “Number of repeats”, and type 3: what is sent then stays at its end. On the Desk it goes on.',
      'For one rider alone: on the Pace card, Add… “Rider’s repeat”, and type its rounds.',
    ],
  },
  {
    title: 'Send a GIF at half its size',
    picture: round,
    steps: ['Choose Send, then GIF. Type 0.5 as the scale: it is written anew, and its size is said beside it.'],
  },
  {
    title: 'Change several at once',
    picture: two,
    steps: [
      'Select them with Shift, by a box, or all with Ctrl A. On the cards, fields say “mixed” where they differ.',
      'What you enter is set for all of them, and is one step of undo. What you add with Add… is added to each.',
    ],
  },
  {
    title: 'Work by keys alone',
    picture: [{ d: 'M30 84L90 24L150 84L210 24', drawn: true, art: 'pen', level: true }],
    steps: [
      'C brings the keyboard to the canvas, S to the sheet, Shift and a digit to the card with that number.',
      'In Plot (2) arrows move a cursor: 1 px, with Shift 10, with Ctrl 100. Enter sets a node; on the first node it closes the guide, a second time in one place it ends it. In Shape (6) Enter begins and ends a drag.',
      'Page down and Page up go from node to node and from mark to mark; arrows move them. After scrubbing, left and right step frames.',
      'A value that was entered stays selected: the next number replaces it. Space plays from there, and Ctrl Z undoes. Ctrl K finds the rest.',
    ],
  },
];
