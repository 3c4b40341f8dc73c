import { click, goTo, pick, press, value, watch } from './acts.ts';
import { shows, tells, type Recipe } from './recipe.ts';
import { ROUND } from './pictures.ts';
import { boatOnArch, boatRound, startWith } from './starts.ts';

/** Recipes for pages and screens: what drives a loop there, and how it gets there. */
export const SENDING: readonly Recipe[] = [
  {
    id: 'driven',
    title: 'Let a page drive it',
    picture: [
      {
        d: 'M34 84C60 20 150 14 206 40',
        art: 'square',
        level: true,
        marks: [
          [0, 0],
          [1.2, 1],
          [2.4, 1],
          [3.6, 0],
        ],
      },
    ],
    start: () => boatOnArch({ clock: { repeat: 'once' } }),
    steps: [
      shows(
        'On the Scene card, choose the Trigger: autoplay, scroll, pointer over, click, or in view. Add trigger puts a second one beside it: a click and the pointer over it, together.',
        pick('scene.trigger', 'in view'),
      ),
      tells(
        'A click plays it; the next click plays it back from where it is, stops it, or starts it again. When the pointer leaves, it plays back, stops, or finishes. For scroll, tie the beginning, middle and end of the passage through the window to times.',
      ),
      tells(
        'Try it: the canvas behaves as on a page until Escape. What is sent as a web page, a module or a component does the same; pictures and data play by time.',
      ),
      tells('How often a loop plays before it stays at its end is set there too.'),
    ],
  },
  {
    id: 'button',
    title: 'Move a button’s symbol under the pointer',
    picture: [
      {
        d: 'M60 54H180',
        art: 'square',
        level: true,
        marks: [
          [0, 0],
          [0.6, 1],
          [2, 1],
          [2.6, 0],
        ],
      },
    ],
    start: () =>
      startWith({
        canvas: { width: 480, height: 200 },
        guides: [{ name: 'Nudge', d: 'M200 100H260' }],
        riders: [{ art: 'label', on: 'Nudge', heading: {} }],
        clock: { duration: 0.4, repeat: 'once' },
      }),
    steps: [
      shows(
        'A short scene that plays once: 0.4 s and less. On the Scene card, take “pointer over” for Trigger.',
        pick('scene.trigger', 'pointer over'),
      ),
      shows(
        'When the pointer leaves, it plays back from where it is; or pauses, or finishes.',
        pick('scene.leaving', 'plays back'),
      ),
      shows(
        '“Back out” as its easing lets it shoot over a little and settle. Sent as a web page, a module or a component it does the same in the page.',
        press('Nudge', 'Routes'),
        goTo(0),
        pick('pace.ease', 'back out'),
      ),
    ],
  },
  {
    id: 'scroll',
    title: 'Let scrolling play it',
    picture: [
      {
        d: 'M120 10V98',
        art: 'square',
        level: true,
        marks: [
          [0, 0],
          [2, 1],
          [4, 0],
        ],
      },
    ],
    start: () => boatOnArch({ clock: { repeat: 'once' } }),
    steps: [
      shows(
        'On the Scene card, take “scroll” for Trigger: its place in the window is its time.',
        pick('scene.trigger', 'scroll'),
      ),
      shows(
        'Tie its entering, its middle and its leaving to times: here it is halfway when it is centred.',
        value('scene.scroll', '0'),
      ),
      tells('Sent as a web page, a module or a component it follows the page’s scrolling, forwards and back.'),
    ],
  },
  {
    id: 'pointer',
    title: 'Look at a point, or at another rider',
    picture: [
      { d: 'M20 90C80 10 160 10 220 90', art: 'lamp', level: true },
      { d: 'M120 100V70', art: 'boat' },
    ],
    start: () => boatOnArch({ riders: [{ art: 'label', name: 'Pointer', at: [640, 600] }] }),
    steps: [
      shows(
        'Select what should look, and on the Heading card take “toward” for Orientation.',
        goTo(1),
        click(600, 600),
        pick('heading.mode', 'toward'),
      ),
      shows('Choose what it faces: a rider, or a point of the canvas.', pick('heading.target', 'Boat'), watch()),
    ],
  },
  {
    id: 'send',
    title: 'Send it',
    picture: ROUND,
    start: () => boatRound(),
    steps: [
      shows(
        'Choose Send. Pick a format; what you see there is the real output, with its size and how far it is from the Desk at most.',
        press('Send'),
      ),
      tells('Save it, or copy it. What has several files is saved as one archive.'),
      shows(
        'For pages: an animated SVG, a page of its own, a module or a React component that is played, sought and laid between two elements, keyframes for one element. As pixels: GIF, animated PNG and WebP, WebM, a sequence, a sprite sheet. For programs and paper: frames, guides, paces, sheets.',
        press('GIF', 'Formats'),
      ),
      tells('Give a colour of the drawing a name, and the page may set it; beside it, what it is on dark pages.'),
      tells(
        'Text needs its font on every device. On the art, “Text to outlines” (T) converts it with the font’s file; on the command line --font FILE does.',
      ),
      tells(
        'What is sent again and again is kept as a set: keep a format with its options, add others, and send all of them by one press. Sets are in the scene’s file.',
      ),
      tells(
        'From a build the command line writes the same: pace-line export FILE --to animated-svg --out PATH, or all of a set: --kept SET --out FOLDER. In a build with Vite, @pace-line/vite imports the scene’s file itself: import Loop from ‘./barge.paceline.json?react’.',
      ),
    ],
  },
];
