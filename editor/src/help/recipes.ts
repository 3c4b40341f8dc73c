/** A job in a few steps. */
export interface Recipe {
  readonly title: string;
  readonly steps: readonly string[];
}

/** The jobs, in the order of the work. */
export const RECIPES: readonly Recipe[] = [
  {
    title: 'Plot a guide',
    steps: [
      'Press 2, or choose Plot above the canvas.',
      'Click for a corner; press and drag to pull handles for a curve. Shift keeps to multiples of 15°.',
      'Click the first node to close the guide. Press Enter, or click the last node again, to end it open.',
      'Backspace takes the last node back, Escape gives up.',
    ],
  },
  {
    title: 'Set a rider down where it should be',
    steps: [
      'Park a drawing on the canvas: that is its place at the loop’s start. Press 5 for Set down.',
      'Move the playhead, then drag the rider to where it should be then. The guide grows a node there, with a mark tied to it.',
      'Go on placing, in any order of time. Dragging it at a time that has a place already moves that place; dropping the last place on the first closes the guide.',
      'Press 1 and pull the spans between into curves: no mark moves. On a guide that is there already, press the guide to be there at the playhead.',
    ],
  },
  {
    title: 'Bend it',
    steps: [
      'Press anywhere on a span and drag: the curve passes under the pointer. With Alt a straight span becomes a clean arc.',
      'Drag nodes and the knobs of their handles. With Alt a knob moves alone, with Shift it keeps to steps of 15°.',
      'Double-click the line to add a node; the shape does not change. Delete takes selected nodes away, and their neighbours make good for them as far as they can.',
      'On card 1, choose how handles are tied (corner, smooth, balanced), and give a node’s place, its handles’ lengths and angles, or its name in numbers and words.',
      'Marks stay with their nodes and spans, and keep their times.',
    ],
  },
  {
    title: 'Sketch it',
    steps: [
      'Press 3, press on the canvas and draw; let go. Ending where you began closes it.',
      'Slide “Within” above the canvas: the same stroke is fitted again with more or fewer nodes.',
    ],
  },
  {
    title: 'Act it out',
    steps: [
      'Select the rider and press 4. Choose a count-in, and how fast you act: at ½ the motion is twice as fast as your hand.',
      'Press, wait for the count, and move as the thing should move. Let go to end: the way is the guide, its timing the pace line.',
      'Slide “Smooth” to even out the hand afterwards.',
    ],
  },
  {
    title: 'Start from a shape',
    steps: [
      'Press 6 and choose a shape above the canvas; drag its box. Shift keeps it even.',
      'Its measures stay live on card 1 until you edit a node. Turn it, reverse it, or start a closed one at another node.',
    ],
  },
  {
    title: 'Take a guide from a file',
    steps: [
      'In the Art drawer, the puzzle piece takes a drawing apart: name each part guide, rider or scenery; all stay where they are.',
      'In the Collection, “From a file” reads SVG paths, lists of points (CSV) and GPX tracks. They can also be dropped on the Desk, and path data or pairs of numbers pasted.',
      'Card 1 copies any guide out as path data.',
    ],
  },
  {
    title: 'Shape a whole guide',
    steps: [
      'Select several nodes with a box or Shift, or whole guides: brackets and ticks scale, the ring on its stem turns, the cross moves. Alt scales about the middle.',
      'Card 1, “direction”: reverse (riders keep their place, or their way), start at the selected node. “more”: straighten, join, flip, parallel, linked copy.',
      'Slide “Simplify” for fewer nodes within so many px, “Fair” to smooth a wobbly piece between the selected nodes. R reverses, J joins.',
    ],
  },
  {
    title: 'Run one guide beside another',
    steps: [
      'Card 1, “more”, “Parallel beside it, linked”: a guide at a distance, such as the ground under a rolling thing or the lane beside. It follows when the original is bent.',
      '“The same guide elsewhere, linked” lets one guide stand in two places. “unlink” lets it stand on its own.',
    ],
  },
  {
    title: 'Trace over a picture',
    steps: [
      'Drop a PNG, JPEG, WebP or GIF on the Desk, or add one (SVG too) at the foot of the Contents drawer.',
      'Fade it, and give its place, size and turn there. It is never in what is sent.',
    ],
  },
  {
    title: 'Snap, and measure',
    steps: [
      'The magnet above the canvas chooses what points snap to, and shows arrows, node names, crests, troughs and tightest bends. Ctrl holds snapping off.',
      'Press 7 to measure: point at a guide for its length, its span’s and the way so far; drag between two points for the straight way, and along the guide where both lie on one.',
    ],
  },
  {
    title: 'Keep a guide for other scenes',
    steps: [
      'Open the Collection with ; and keep the selected guide. Name it, search for it, drag it into any scene.',
      'The arrows beside “Kept in this browser” save the collection as a file and add one from a file.',
    ],
  },
  {
    title: 'Show the guide in what is sent',
    steps: ['Card 1, “In the output”: drawn, with a colour, a width and a pattern; or drawn by a rider as it goes.'],
  },
  {
    title: 'Put a drawing on it',
    steps: [
      'Drop an SVG file anywhere on the Desk, or bring it in from the Art drawer.',
      'Drag it from the drawer onto the guide. A line above the canvas says how it sits: on the guide, or where it was dropped. One click changes it.',
      'On card 2, set the pivot: the point of the drawing that runs along the guide.',
    ],
  },
  {
    title: 'Turn it along the curve',
    steps: [
      'On card 3, choose along the guide. “Nose leads” turns the drawing’s nose into the curve; “angle kept” leaves it as it stands and turns it from there.',
      'Say on the same card which way the art was drawn to face. Fine turn adds a constant angle.',
    ],
  },
  {
    title: 'Shape its pace',
    steps: [
      'The sheet shows time across and the way along the guide upwards: a steep line is fast, a flat one rests.',
      'Press on the line to set a mark there; drag it in time and place. Nothing moves until you drag.',
      'Drag the stroke beside a mark to let the rider rest. Choose on card 4 how it goes on from there.',
      'Both ends of the loop are repeated beyond the rules at 0 and at the end: a kink there is a seam that shows.',
    ],
  },
  {
    title: 'Send it',
    steps: [
      'Choose Send. Pick a format; what you see there is the real output, with its size and how far it is from the Desk at most.',
      'Save it, or write it from a build with the command line: pace-line export FILE --to animated-svg --out PATH.',
    ],
  },
];
