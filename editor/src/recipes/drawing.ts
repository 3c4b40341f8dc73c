import { add, choose, click, doubleClick, drag, drop, goTo, keys, paste, pick, press, value, watch } from './acts.ts';
import { HILLS_PICTURE } from './hills-picture.ts';
import { shows, tells, type Recipe } from './recipe.ts';
import { boatOnArch, startWith, WAYS_OF_STARTS } from './starts.ts';

/** Recipes for guides: drawing them, and giving them shape. */
export const DRAWING: readonly Recipe[] = [
  {
    id: 'plot',
    title: 'Plot a guide',
    picture: [
      {
        d: 'M20 84L70 26C110 26 110 84 150 84S190 30 220 30',
        drawn: true,
        art: 'square',
        level: true,
        marks: [
          [0, 0],
          [0.6, 0],
          [1.4, 0.3],
          [1.9, 0.3],
          [2.6, 0.66],
          [3, 0.66],
          [3.6, 1],
        ],
      },
    ],
    start: () => startWith({}),
    steps: [
      shows('Press 2, or choose Plot above the canvas.', keys('2')),
      shows(
        'Click for a corner; press and drag to pull handles for a curve. Shift keeps to multiples of 15°.',
        click(240, 480),
        drag([520, 240], [680, 240]),
        click(960, 480),
      ),
      shows(
        'Click the first node to close the guide. Press Enter, or click the last node again, to end it open.',
        keys('Enter'),
      ),
      tells('Backspace removes the last node, Escape cancels.'),
    ],
  },
  {
    id: 'set-down',
    title: 'Set a rider down where it should be',
    picture: [
      {
        d: 'M24 84L88 28L156 76L216 26',
        drawn: true,
        art: 'lamp',
        level: true,
        marks: [
          [0, 0],
          [0.9, 0.33],
          [1.3, 0.33],
          [2.1, 0.66],
          [2.5, 0.66],
          [3.3, 1],
        ],
      },
    ],
    start: () => startWith({ riders: [{ art: 'lamp', at: [240, 460] }] }),
    steps: [
      shows(
        'Park a drawing on the canvas: that is its place at the loop’s start. Press 5 for Set down.',
        click(240, 460),
        keys('5'),
      ),
      shows(
        'Move the playhead, then drag the rider to where it should be then. The guide grows a node there, with a mark tied to it.',
        goTo(1),
        drag([240, 460], [560, 260]),
      ),
      shows(
        'Go on placing, in any order of time. Dragging it at a time that has a place already moves that place; dropping the last place on the first closes the guide.',
        goTo(2.5),
        drag([560, 260], [980, 420]),
      ),
      shows(
        'Press 1 and pull the spans between into curves: no mark moves. On a guide that is there already, press the guide to be there at the playhead.',
        keys('1'),
        drag([400, 360], [360, 260]),
        watch(),
      ),
    ],
  },
  {
    id: 'bend',
    title: 'Bend it',
    picture: [
      { d: 'M24 84L216 84', dash: true, color: '#1F2933' },
      { d: 'M24 84C70 14 170 14 216 84' },
      {
        d: 'M120 84L120 32',
        dash: true,
        color: '#A3471F',
        art: 'pen',
        level: true,
        marks: [
          [0, 0],
          [1.6, 1],
          [4, 1],
        ],
      },
    ],
    start: () => startWith({ guides: [{ name: 'Canal', d: WAYS_OF_STARTS.line }] }),
    steps: [
      shows(
        'Press anywhere on a span and drag: the curve passes under the pointer. With Alt a straight span becomes a clean arc.',
        click(400, 420),
        drag([640, 420], [640, 240]),
      ),
      tells(
        'Drag nodes and the knobs of their handles. With Alt a knob moves alone, with Shift it keeps to steps of 15°.',
      ),
      shows(
        'Double-click the line to add a node; the shape does not change. Delete takes selected nodes away, and their neighbours make good for them as far as they can.',
        doubleClick(640, 240),
      ),
      shows(
        'On the Guide card, choose how handles are tied (corner, smooth, balanced), and give a node’s place, its handles’ lengths and angles, or its name in numbers and words.',
        click(640, 240),
        value('guide.node.name', 'Crest'),
      ),
      tells('Marks stay with their nodes and spans, and keep their times.'),
    ],
  },
  {
    id: 'sketch',
    title: 'Sketch it',
    picture: [{ d: 'M20 70C40 20 60 20 74 56S108 98 128 54S176 10 220 60', drawn: true, art: 'pen', level: true }],
    start: () => startWith({}),
    steps: [
      shows(
        'Press 3, press on the canvas and draw; let go. Ending where you began closes it.',
        keys('3'),
        drag(
          [200, 360],
          [300, 240],
          [420, 220],
          [540, 330],
          [640, 440],
          [760, 460],
          [880, 360],
          [960, 260],
          [1080, 300],
        ),
      ),
      tells('Slide “Tolerance” above the canvas: the same stroke is fitted again with more or fewer nodes.'),
    ],
  },
  {
    id: 'act',
    title: 'Act it out',
    picture: [
      {
        d: 'M24 80C60 10 96 10 108 60S150 100 170 60S204 20 218 32',
        drawn: true,
        art: 'lamp',
        level: true,
        marks: [
          [0, 0],
          [0.5, 0.3],
          [1.6, 0.42],
          [2.1, 0.8],
          [3.5, 1],
        ],
      },
    ],
    start: () => startWith({ riders: [{ art: 'lamp', at: [240, 460] }] }),
    steps: [
      shows(
        'Select the rider and press 4. Choose a count-in, and how fast you act: at ½ the motion is twice as fast as your hand.',
        click(240, 460),
        keys('4'),
        press('at once'),
      ),
      shows(
        'Press, wait for the count, and move as the thing should move. Let go to end: the way is the guide, its timing the pace line.',
        drag([240, 460], [340, 260], [480, 220], [620, 340], [760, 460], [900, 400], [1020, 260]),
      ),
      shows('Slide “Smooth” to even out the hand afterwards.', keys('1'), watch()),
    ],
  },
  {
    id: 'shape',
    title: 'Start from a shape',
    picture: [
      {
        d: 'M120 16C148 16 170 33 170 54S148 92 120 92S70 75 70 54S92 16 120 16Z',
        art: 'boat',
        marks: [
          [0, 0],
          [4, 1],
        ],
        ease: { kind: 'steady' },
      },
    ],
    start: () => startWith({}),
    steps: [
      shows(
        'Press 6 and choose a shape above the canvas; drag its box. Shift keeps proportions.',
        keys('6'),
        drag([440, 160], [840, 560]),
      ),
      shows(
        'Its measures stay live on the Guide card until you edit a node. Turn it, reverse it, or start a closed one at another node.',
        value('guide.shape', '150'),
      ),
    ],
  },
  {
    id: 'figure-eight',
    title: 'Fly a figure of eight',
    picture: [
      {
        d: 'M120 54C150 10 220 10 220 54S150 98 120 54S90 10 20 54S90 98 120 54Z',
        art: 'boat',
        marks: [
          [0, 0],
          [4, 1],
        ],
        ease: { kind: 'steady' },
      },
    ],
    start: () => startWith({ art: ['boat'] }),
    steps: [
      shows(
        'In Shape (6), choose Figure-eight and drag its box. Its measures stay live on the Guide card until a node is moved.',
        keys('6'),
        choose('Shape', 'Figure-eight'),
        drag([240, 200], [1040, 560]),
      ),
      shows(
        'Put the drawing on it from the Art drawer (L). It keeps to its way at the crossing: its place is a distance along the line, not the nearest point.',
        keys('l'),
        press('Ride Boat on'),
      ),
      shows(
        'Let it face along the guide: it turns through the crossing without a jump.',
        pick('heading.mode', 'along'),
        watch(),
      ),
    ],
  },
  {
    id: 'from-file',
    title: 'Take a guide from a file',
    picture: [
      { d: 'M30 20H96L112 36V92H30Z', color: '#1F2933' },
      { d: 'M140 84C156 20 176 20 184 56S204 84 222 30', drawn: true, art: 'square', level: true },
    ],
    start: () => startWith({}),
    steps: [
      tells(
        'In the Art drawer, the puzzle piece takes a drawing apart: name each part guide, rider or scenery; all stay where they are.',
      ),
      shows(
        'In the Collection, “From a file” reads SVG paths, lists of points (CSV) and GPX tracks. They can also be dropped on the Desk, and path data or pairs of numbers pasted.',
        paste('M160 500C300 200 460 200 600 420S900 600 1100 240'),
      ),
      tells('Card 1 copies any guide out as path data.'),
    ],
  },
  {
    id: 'whole',
    title: 'Shape a whole guide',
    picture: [
      { d: 'M50 20H190V90H50Z', dash: true, color: '#1F2933' },
      { d: 'M56 84C96 84 90 26 120 26S144 84 184 84' },
      {
        d: 'M190 90L214 102',
        dash: true,
        color: '#A3471F',
        art: 'square',
        level: true,
        marks: [
          [0, 0],
          [1.5, 1],
          [3, 0],
        ],
      },
    ],
    start: () => startWith({ guides: [{ name: 'Basin', d: WAYS_OF_STARTS.round }] }),
    steps: [
      shows(
        'Select several nodes with a box or Shift, or whole guides: brackets and ticks scale, the ring on its stem turns, the cross moves. Alt scales about the middle.',
        click(640, 220),
        add('guide', 'Scale and rotate'),
        value('guide.scale', '60'),
        value('guide.rotate', '15'),
      ),
      shows(
        'Card 1, “direction”: reverse (riders keep their place, or their way), start at the selected node. “more”: straighten, join, flip, parallel, linked copy.',
        press('Direction'),
        press('Reverse'),
      ),
      tells(
        'On the Guide card, Add… “Simplify and smooth”: Simplify leaves fewer nodes within so many px, Smooth evens out a wobbly piece between the selected nodes. R reverses, J joins.',
      ),
    ],
  },
  {
    id: 'beside',
    title: 'Run one guide beside another',
    picture: [
      { d: 'M20 70C70 70 70 20 120 20S170 70 220 70', art: 'boat' },
      { d: 'M20 96C84 96 92 46 120 46S156 96 220 96', dash: true, color: '#3D5A99' },
    ],
    start: () => boatOnArch(),
    steps: [
      shows(
        'On the Guide card, More, “Parallel guide, linked”: a guide at a distance, such as the ground under a rolling thing or the lane beside. It follows when the original is bent.',
        goTo(0),
        click(421, 329),
        press('More'),
        press('Parallel guide, linked'),
      ),
      tells('“Copy, linked” lets one guide stand in two places. The cross of “Linked guide” lets it stand on its own.'),
    ],
  },
  {
    id: 'trace',
    title: 'Trace over a picture',
    picture: [
      { d: 'M30 90L84 30L118 66L146 40L210 90Z', color: '#C9BDA5' },
      { d: 'M30 90L84 30L118 66L146 40L210 90', drawn: true, art: 'pen', level: true },
    ],
    start: () => startWith({}),
    steps: [
      shows(
        'Drop a PNG, JPEG, WebP or GIF on the Desk, or add one (SVG too) at the foot of the Contents drawer.',
        drop('hills.png', 'image/png', () => HILLS_PICTURE),
      ),
      shows(
        'Fade it, and give its place, size and turn there. It is never in what is sent.',
        keys('2'),
        click(160, 560),
        click(430, 200),
        click(620, 420),
        click(780, 300),
        click(1120, 560),
        keys('Enter'),
      ),
    ],
  },
  {
    id: 'measure',
    title: 'Snap, and measure',
    picture: [
      { d: 'M24 76C80 76 80 30 120 30S160 76 216 76' },
      { d: 'M24 92H216', dash: true, color: '#A3471F', art: 'square', level: true },
    ],
    start: () => boatOnArch(),
    steps: [
      shows(
        'The magnet above the canvas chooses what points snap to, and shows arrows, node names, crests, troughs and tightest bends. Hold Ctrl to switch snapping off.',
        press('Snapping and display'),
        press('direction arrows'),
        keys('Escape'),
      ),
      shows(
        'Press 7 to measure: point at a guide for its length, its span’s and the way so far; drag between two points for the straight way, and along the guide where both lie on one.',
        keys('7'),
        drag([421, 329], [859, 329]),
      ),
    ],
  },
  {
    id: 'keep',
    title: 'Keep a guide for other scenes',
    picture: [
      { d: 'M20 84C60 84 60 40 90 40S120 84 120 84', color: '#3D5A99' },
      { d: 'M120 84C160 84 160 40 190 40S220 84 220 84', color: '#3D5A99', drawn: true, art: 'pen', level: true },
    ],
    start: () => startWith({ guides: [{ name: 'Canal', d: WAYS_OF_STARTS.arch }] }),
    steps: [
      shows(
        'Open the Collection with ; and keep the selected guide. Name it, search for it, drag it into any scene.',
        click(640, 300),
        keys(';'),
        press('Keep “Canal”'),
      ),
      tells('The arrows beside “Saved in this browser” save the collection as a file and add one from a file.'),
    ],
  },
  {
    id: 'drawn',
    title: 'Show the guide in what is sent',
    picture: [{ d: 'M20 84C70 84 70 24 120 24S170 84 220 84', drawn: true, art: 'boat' }],
    start: () => boatOnArch(),
    steps: [
      shows(
        'On the Guide card, Add… “Drawn in what is sent”: with a colour, a width and a pattern, whole, or drawn by a rider as it goes.',
        goTo(0),
        click(421, 329),
        add('guide', 'Drawn in what is sent'),
        pick('guide.drawn', 'by a rider'),
        watch(),
      ),
    ],
  },
];
