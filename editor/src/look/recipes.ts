import { QUESTIONS } from './questions.ts';
import type { Recipe } from './recipe.ts';

/** The jobs, in the order of the work. */
const JOBS: readonly Recipe[] = [
  {
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
    steps: [
      'Press 2, or choose Plot above the canvas.',
      'Click for a corner; press and drag to pull handles for a curve. Shift keeps to multiples of 15°.',
      'Click the first node to close the guide. Press Enter, or click the last node again, to end it open.',
      'Backspace removes the last node, Escape cancels.',
    ],
  },
  {
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
    steps: [
      'Park a drawing on the canvas: that is its place at the loop’s start. Press 5 for Set down.',
      'Move the playhead, then drag the rider to where it should be then. The guide grows a node there, with a mark tied to it.',
      'Go on placing, in any order of time. Dragging it at a time that has a place already moves that place; dropping the last place on the first closes the guide.',
      'Press 1 and pull the spans between into curves: no mark moves. On a guide that is there already, press the guide to be there at the playhead.',
    ],
  },
  {
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
    steps: [
      'Press anywhere on a span and drag: the curve passes under the pointer. With Alt a straight span becomes a clean arc.',
      'Drag nodes and the knobs of their handles. With Alt a knob moves alone, with Shift it keeps to steps of 15°.',
      'Double-click the line to add a node; the shape does not change. Delete takes selected nodes away, and their neighbours make good for them as far as they can.',
      'On the Guide card, choose how handles are tied (corner, smooth, balanced), and give a node’s place, its handles’ lengths and angles, or its name in numbers and words.',
      'Marks stay with their nodes and spans, and keep their times.',
    ],
  },
  {
    title: 'Sketch it',
    picture: [{ d: 'M20 70C40 20 60 20 74 56S108 98 128 54S176 10 220 60', drawn: true, art: 'pen', level: true }],
    steps: [
      'Press 3, press on the canvas and draw; let go. Ending where you began closes it.',
      'Slide “Tolerance” above the canvas: the same stroke is fitted again with more or fewer nodes.',
    ],
  },
  {
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
    steps: [
      'Select the rider and press 4. Choose a count-in, and how fast you act: at ½ the motion is twice as fast as your hand.',
      'Press, wait for the count, and move as the thing should move. Let go to end: the way is the guide, its timing the pace line.',
      'Slide “Smooth” to even out the hand afterwards.',
    ],
  },
  {
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
    steps: [
      'Press 6 and choose a shape above the canvas; drag its box. Shift keeps proportions.',
      'Its measures stay live on the Guide card until you edit a node. Turn it, reverse it, or start a closed one at another node.',
    ],
  },
  {
    title: 'Take a guide from a file',
    picture: [
      { d: 'M30 20H96L112 36V92H30Z', color: '#1F2933' },
      { d: 'M140 84C156 20 176 20 184 56S204 84 222 30', drawn: true, art: 'square', level: true },
    ],
    steps: [
      'In the Art drawer, the puzzle piece takes a drawing apart: name each part guide, rider or scenery; all stay where they are.',
      'In the Collection, “From a file” reads SVG paths, lists of points (CSV) and GPX tracks. They can also be dropped on the Desk, and path data or pairs of numbers pasted.',
      'Card 1 copies any guide out as path data.',
    ],
  },
  {
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
    steps: [
      'Select several nodes with a box or Shift, or whole guides: brackets and ticks scale, the ring on its stem turns, the cross moves. Alt scales about the middle.',
      'Card 1, “direction”: reverse (riders keep their place, or their way), start at the selected node. “more”: straighten, join, flip, parallel, linked copy.',
      'On the Guide card, Add… “Simplify and smooth”: Simplify leaves fewer nodes within so many px, Smooth evens out a wobbly piece between the selected nodes. R reverses, J joins.',
    ],
  },
  {
    title: 'Run one guide beside another',
    picture: [
      { d: 'M20 70C70 70 70 20 120 20S170 70 220 70', art: 'boat' },
      { d: 'M20 96C84 96 92 46 120 46S156 96 220 96', dash: true, color: '#3D5A99' },
    ],
    steps: [
      'On the Guide card, More, “Parallel guide, linked”: a guide at a distance, such as the ground under a rolling thing or the lane beside. It follows when the original is bent.',
      '“Copy, linked” lets one guide stand in two places. The cross of “Linked guide” lets it stand on its own.',
    ],
  },
  {
    title: 'Trace over a picture',
    picture: [
      { d: 'M30 90L84 30L118 66L146 40L210 90Z', color: '#C9BDA5' },
      { d: 'M30 90L84 30L118 66L146 40L210 90', drawn: true, art: 'pen', level: true },
    ],
    steps: [
      'Drop a PNG, JPEG, WebP or GIF on the Desk, or add one (SVG too) at the foot of the Contents drawer.',
      'Fade it, and give its place, size and turn there. It is never in what is sent.',
    ],
  },
  {
    title: 'Snap, and measure',
    picture: [
      { d: 'M24 76C80 76 80 30 120 30S160 76 216 76' },
      { d: 'M24 92H216', dash: true, color: '#A3471F', art: 'square', level: true },
    ],
    steps: [
      'The magnet above the canvas chooses what points snap to, and shows arrows, node names, crests, troughs and tightest bends. Hold Ctrl to switch snapping off.',
      'Press 7 to measure: point at a guide for its length, its span’s and the way so far; drag between two points for the straight way, and along the guide where both lie on one.',
    ],
  },
  {
    title: 'Keep a guide for other scenes',
    picture: [
      { d: 'M20 84C60 84 60 40 90 40S120 84 120 84', color: '#3D5A99' },
      { d: 'M120 84C160 84 160 40 190 40S220 84 220 84', color: '#3D5A99', drawn: true, art: 'pen', level: true },
    ],
    steps: [
      'Open the Collection with ; and keep the selected guide. Name it, search for it, drag it into any scene.',
      'The arrows beside “Saved in this browser” save the collection as a file and add one from a file.',
    ],
  },
  {
    title: 'Show the guide in what is sent',
    picture: [{ d: 'M20 84C70 84 70 24 120 24S170 84 220 84', drawn: true, art: 'boat' }],
    steps: [
      'On the Guide card, Add… “Drawn in what is sent”: with a colour, a width and a pattern, whole, or drawn by a rider as it goes.',
    ],
  },
  {
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
    steps: [
      'Drop an SVG file anywhere on the Desk, or bring it in from the Art drawer.',
      'Drag it from the drawer onto the guide. A line above the canvas says how it sits: on the guide, or where it was dropped. One click changes it.',
      'On the Rider card, set the pivot: the point of the drawing that runs along the guide.',
    ],
  },
  {
    title: 'Turn it along the curve',
    picture: [{ d: 'M20 84C70 84 70 24 120 24S170 84 220 84', art: 'boat' }],
    steps: [
      'On the Heading card, choose Orientation: along. “Nose first” turns the drawing’s nose into the curve; “angle kept” leaves it as it stands and turns it from there.',
      'Say on the same card which way the art was drawn to face. Fine turn adds a constant angle.',
    ],
  },
  {
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
    steps: [
      'The sheet shows time across and the way along the guide upwards: a steep line is fast, a flat one rests.',
      'Press on the line to set a mark there; drag the mark in time and place.',
      'Drag the line itself to bend it: a small square holds what you pulled. Press the square to make it sharp or smooth again, with Shift to take it away; its arms turn it.',
      'Drag the stroke beside a mark to let the rider rest. Choose on the Pace card how it goes on from there: the small curve opens all eases, how strong each is, and its text.',
      'Both ends of the loop are repeated beyond the rules at 0 and at the end: a kink there is a seam that shows.',
    ],
  },
  {
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
    steps: [
      'Set the marks where it starts and where it ends, and between them only those that it must touch or rest at.',
      'On the Pace card, Pace from: constant speed; gravity on slopes, as a barrel or a cart has it; slow in bends, as a careful driver is; or hop from mark to mark, as a ball on arcs (the shape Bounces draws such arcs, and “Land at its corners” sets the marks).',
      'What hops lands as it falls. To land on a beat, set a mark’s time: the arcs beside it are gone through as fast as that asks, or, with “as set, by height” at Lands, become as high.',
      'It follows the guide when that is bent, and fits the time of its last mark, or has speeds of its own.',
      '“Convert to marks” makes marks and eases of it, to be shaped by hand from then on.',
    ],
  },
  {
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
    steps: [
      'On the Scene card, Add… “Tempo” and type beats a minute: they are lines on the sheet, and marks that are dragged keep to them, and to other riders’ marks. Hold Ctrl to switch that off.',
      'Choose several marks and stretch them about the first or the playhead, reverse them in time, or mirror them along the guide.',
      'A rider is made slower by a factor without touching the others; its poses may stay on twos, threes or more frames.',
      'With Alt, press the guide of the selected rider: it is there at the playhead. Drawn with Alt, a spacing tick bends the pace; how many frames go along is set beside the snapping.',
    ],
  },
  {
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
    steps: [
      'Press G: the scene as it is now is held as a ghost, faint on the canvas and dashed on the sheet.',
      'Change what you like while both play. Shift G swaps them, as often as you want; G removes the ghost, and what is there stays.',
      'The chart button above the sheet shows speed, acceleration and turn rate under it, over the same time or along the guide. Drag the limit that they should keep to; “Go to…” brings the playhead to a peak or a stop.',
      'The table of marks (Pace card) has times, places and speeds in exact numbers, and takes a list of times and positions as text: px, shares such as 20 %, or names of nodes.',
    ],
  },
  {
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
    steps: [
      'On the Rider card, Add… “Roll”. Its turns come from the way that it covers, so that it never slides; the radius is that of the drawing, or typed.',
      'The guide is the ground, and the rider is lifted by its radius, or the way of its centre.',
      'Where it should close on a loop, the card offers the nearest radius with whole turns.',
      'What has wheels at both ends faces by two contacts (Heading card): both stay on the guide, so far apart as you say.',
    ],
  },
  {
    title: 'Add keys on top',
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
    steps: [
      'Bring the playhead to the moment. At the end of a value’s row (offset, scale, opacity on the Rider card, rotation on the Heading card) press the cross: it is a keyframe there. At other times type another value: that is a keyframe, too.',
      'Keys lie in strips under the sheet: drag them in time and value, nudge them by arrows, copy and paste them at the playhead, to other riders too.',
      'A selected keyframe has its easing on the Pace card, and can go with a mark from then on.',
      'Squash and stretch by keyframes keeps the area, about the pivot or a fixed point on the floor; “Squash at this mark” on the Pace card sets the keyframes of a landing.',
    ],
  },
  {
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
    steps: [
      'Park the lamp where it belongs on the boat, select it, and on the Rider card, Add… “Carried by another rider”: the boat. It stays where it is, and goes along from there.',
      'Say what it takes over: without turn a lamp hangs upright on a boat that pitches.',
      'A guide can be carried as well (Guide card), with all that rides it and the line that is drawn of it: a small loop inside of a moving thing. Its nodes are shaped where they are seen; time stands still while one is held.',
      'A whole scene can be nested: in the Art drawer (L) choose Nest a scene, or drop a scene file while it is open. It comes as one rider that carries all of it, and the Rider card says how long its inner loop takes. What reaches beyond its edges is cut off there; who is to be seen beyond them is set to be seen everywhere on its own card 2.',
    ],
  },
  {
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
    steps: [
      'In the Art drawer, bring in poses: a file for each, or one sheet that is cut by columns and rows.',
      'On the Rider card, Poses: by distance: they go with the way, so that feet stay where they were set down, however it hastens or waits. The card offers the nearest stride that closes.',
      'Poses in time flap on a clock of their own; at a mark they are played once, of this rider or of another: a splash where it lands.',
      'With “Raise” at 50 % of its height, what has its pivot in the middle stands on its feet, at any scale.',
    ],
  },
  {
    title: 'Go behind, be far away, follow by camera',
    picture: [
      {
        d: 'M120 16C170 16 216 33 216 54S170 92 120 92S24 75 24 54S70 16 120 16Z',
        art: 'lamp',
        level: true,
        marks: [
          [0, 0],
          [4, 1],
        ],
      },
    ],
    steps: [
      'Bring the playhead to where it should vanish, and on the Rider card, Add… “Behind another rider”. Bring it on, and press “End here”. With two marks selected it is behind from one to the other.',
      'On the Guide card, Add… “Perspective”: riders are smaller where it is far away, and slower, if you wish.',
      'Add… “Clip to a guide” on the Rider card: seen inside or outside of a closed guide, as through a window.',
      'Any rider can be the camera: parked, carried, on a guide, with keys of turn and scale. Its outline is on the canvas; X, held, shows what it sees. Riders with a parallax below 100 % are farther away.',
    ],
  },
  {
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
    steps: [
      'On the Rider card, Add… “Entrance”: from where, how large, how opaque and rotated it comes, after how long and by which easing. All stand where the loop begins until the last has entered.',
      'To come along a guide of its own, the first time alone: give it its pace there and on the Pace card, Add… “First round”: plays once, before the loop. It stays where its pace ends, and the others run meanwhile.',
      'Riders that follow each other, each later, are “hidden until it starts” the first time; copies that start later can be made so at once.',
      'The arrow beside Play, or Shift Space, plays the lead-in and the loop after it.',
      'Every web format but Lottie plays it once; films and pictures have it where they begin below 0; of the others Send says that they begin with the loop.',
    ],
  },
  {
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
    steps: [
      'On the Scene card, choose the Trigger: autoplay, scroll, pointer over, click, or in view. Add trigger puts a second one beside it: a click and the pointer over it, together.',
      'A click plays it; the next turns it round from where it is, stops it, or begins anew. The pointer’s leaving takes it back, stops it, or lets it finish. Of a passage through the window, tie its beginning, middle and end to times.',
      'Try it: the canvas behaves as on a page until Escape. What is sent as a web page, a module or a component does the same; pictures and data play by time.',
      'How often a loop plays before it stays at its end is set there too.',
    ],
  },
  {
    title: 'Send it',
    picture: [
      {
        d: 'M120 16C170 16 216 33 216 54S170 92 120 92S24 75 24 54S70 16 120 16Z',
        art: 'boat',
        marks: [
          [0, 0],
          [4, 1],
        ],
        ease: { kind: 'steady' },
      },
    ],
    steps: [
      'Choose Send. Pick a format; what you see there is the real output, with its size and how far it is from the Desk at most.',
      'Save it, or copy it. What has several files is saved as one archive.',
      'For pages: an animated SVG, a page of its own, a module or a React component that is played, sought and laid between two elements, keyframes for one element. As pixels: GIF, animated PNG and WebP, WebM, a sequence, a sprite sheet. For programs and paper: frames, guides, paces, sheets.',
      'Give a colour of the drawing a name, and the page may set it; beside it, what it is on dark pages.',
      'Text needs its font wherever it is shown. On the art, “Text to outlines” (T) makes outlines of it by the font’s file; on the command line --font FILE does.',
      'What is sent again and again is kept as a set: keep a format with its options, add others, and send all of them by one press. Sets are in the scene’s file.',
      'From a build the command line writes the same: pace-line export FILE --to animated-svg --out PATH, or all of a set: --kept SET --out FOLDER. In a build with Vite, @pace-line/vite imports the scene’s file itself: import Loop from ‘./barge.paceline.json?react’.',
    ],
  },
];

/** All that Help answers: the jobs, and small questions. */
export const RECIPES: readonly Recipe[] = [...JOBS, ...QUESTIONS];
