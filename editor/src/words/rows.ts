/** What is said of a row of a card: its label, in one sentence what it changes, and what else people call it, for whoever asks for it by name. */
export interface RowWords {
  readonly label: string;
  readonly about: string;
  readonly also?: string;
  /** The group that it stands in; absent: it is there without being added. */
  readonly group?: string;
}

/** All rows of the cards, by card and name. A label, its tooltip, and what finds it are said here and nowhere else. */
export const ROWS = {
  // Scene
  'scene.size': {
    label: 'Canvas',
    about: 'Width and height of the canvas; px',
    also: 'size resolution format portrait landscape square 1080 1920 dimensions artboard stage',
  },
  'scene.background': {
    label: 'Background',
    about: 'Colour of the canvas, or none: what is sent is then transparent',
    also: 'paper transparent alpha colour color backdrop',
  },
  'scene.duration': {
    label: 'Duration',
    about: 'Length of the loop; seconds. There and back: of one way',
    also: 'length time seconds longer shorter loop lasts',
  },
  'scene.fps': {
    label: 'Frame rate',
    about: 'Frames a second of the scene: ticks, steps and frames of pixels; fps',
    also: 'fps frames per second 24 25 30 60',
  },
  'scene.repeat': {
    label: 'Repeat',
    about: 'How the scene repeats: it loops, goes there and back, or plays once',
    also: 'loop ping pong yoyo boomerang once bounce back alternate',
  },
  'scene.trigger': {
    label: 'Trigger',
    about:
      'What starts and drives the scene on a page: by itself, by scrolling, by the pointer, by a click, or as it comes into view',
    also: 'autoplay scroll hover pointer mouse click press start play interactive button driver',
  },
  'scene.trigger.add': { label: 'Add trigger', about: 'A further trigger beside the first' },
  'scene.leaving': { label: 'When it leaves', about: 'What it does when the pointer leaves' },
  'scene.click': { label: 'Next click', about: 'What a click does while it plays or has played' },
  'scene.each': {
    label: 'Each time',
    about: 'Plays each time it comes into view, or only the first time',
  },
  'scene.scroll': { label: 'Scroll', about: 'The times of the loop shown as it passes through the window; seconds' },
  'scene.times': {
    label: 'Number of times',
    about: 'How often what is sent plays; on the Desk it goes on',
    also: 'repeat count three times only twice finite loops iterations',
    group: 'times',
  },
  'scene.beats': {
    label: 'Tempo',
    about: 'Beats a minute that marks keep to',
    also: 'bpm music rhythm beat',
    group: 'tempo',
  },
  'scene.beat': { label: 'A beat is at', about: 'When one of the beats is; seconds' },
  'scene.refit': {
    label: 'On resize',
    about: 'What happens to everything on the canvas when its size changes: it stays, is centred, or is scaled',
    also: 'scale everything adapt crop fit',
    group: 'refit',
  },
  'scene.retime': {
    label: 'On a new duration',
    about: 'Marks and keyframes are scaled with the duration, or keep their times and room is added at the end',
    also: 'stretch time longer loop without changing speed add room',
    group: 'retime',
  },
  'scene.own': {
    label: 'Delays and own cycles then',
    about:
      'Riders that start later or have a cycle of their own. Keep fitting: cycles that go into the loop go on doing so. Keep: their times stay. Scale: they are scaled with the loop',
  },

  // Guide
  'guide.name': { label: 'Name', about: 'Name of the guide', also: 'rename guide' },
  'guide.path': {
    label: 'Path',
    about: 'Open, from end to end, or closed, round and round; with a node selected, splits there',
    also: 'close open loop split cut',
  },
  'guide.position': {
    label: 'Position',
    about: 'Left and upper edge of the guide on the canvas; px',
    also: 'move guide x y place',
  },
  'guide.change': {
    label: 'Change',
    about: 'Which way the guide runs, and what else can be done to it',
    also: 'reverse direction backwards start node straighten join flip mirror parallel copy path data',
  },
  'guide.color': {
    label: 'Guide line',
    about: 'Colour and width of the line on the Desk; px on the screen',
    also: 'route colour color thickness',
  },
  'guide.nodes': {
    label: 'Nodes',
    about: 'How many points the guide has; of selected ones, how the line joins there',
    also: 'points vertices anchor corner smooth balanced join',
  },
  'guide.node.place': { label: 'Node', about: 'Position of the node on the canvas; px', also: 'point position' },
  'guide.node.in': {
    label: 'Handle in',
    about: 'Length, px, and angle, °, of the handle before the node; a length of 0 removes it',
    also: 'tangent control bezier',
  },
  'guide.node.out': {
    label: 'Handle out',
    about: 'Length, px, and angle, °, of the handle after the node; a length of 0 removes it',
    also: 'tangent control bezier',
  },
  'guide.node.name': {
    label: 'Node name',
    about: 'Name of the node: marks and places can be given by it',
    also: 'station label',
  },
  'guide.node.span': {
    label: 'Next span',
    about: 'Length of the guide from this node to the next; px',
    also: 'segment length',
  },
  'guide.shape': { label: 'Shape', about: 'Measures of the shape, until one of its nodes is moved' },
  'guide.shape.centre': { label: 'Centre', about: 'Centre of the shape on the canvas; px' },
  'guide.link': { label: 'Linked to', about: 'The guide that it follows', also: 'unlink' },
  'guide.link.distance': {
    label: 'Distance',
    about: 'Distance from the other guide, to the left of its direction; px',
  },
  'guide.link.offset': { label: 'Offset', about: 'How far the copy is from the other guide; px to the right and down' },
  'guide.carrier': { label: 'Carried by', about: 'The rider with which the guide moves' },
  'guide.centre': { label: 'Centre on', about: 'Moves the middle of the guide to its carrier’s art or pivot' },
  'guide.scale': {
    label: 'Scale by',
    about: 'Scales the selected guides or nodes about their middle; %',
    also: 'resize bigger smaller',
    group: 'transform',
  },
  'guide.rotate': {
    label: 'Rotate by',
    about: 'Rotates the selected guides or nodes about their middle; °, clockwise',
    also: 'turn spin',
    group: 'transform',
  },
  'guide.simplify': {
    label: 'Simplify',
    about: 'Removes nodes, staying within this distance of the line; px',
    also: 'reduce points clean',
    group: 'smooth',
  },
  'guide.smooth': {
    label: 'Smooth',
    about: 'Evens out the line, of all nodes or of the selected ones; %',
    also: 'fair fairing even relax',
    group: 'smooth',
  },
  'guide.round': { label: 'Roundness', about: 'How round the line runs through its points; %' },
  'guide.stroke': {
    label: 'Stroke',
    about: 'Colour and width of the line in what is sent; px on the canvas',
    also: 'outline',
    group: 'stroke',
  },
  'guide.drawn': {
    label: 'Drawn',
    about: 'The whole line at once, or as far as a rider has come',
    also: 'write on reveal trim draw on',
    group: 'stroke',
  },
  'guide.pattern': {
    label: 'Pattern',
    about: 'Solid, or dashes and gaps; px',
    also: 'dash dotted dashed',
    group: 'stroke',
  },
  'guide.drawer': { label: 'By', about: 'The rider that draws the line as it goes' },
  'guide.depth': { label: 'Stop', about: 'Scale of riders, %, at a place along the guide, %' },
  'guide.depth.speed': {
    label: 'Scale speed too',
    about: 'Riders are also slower on the canvas where they are smaller',
  },

  // Rider
  'rider.name': { label: 'Name', about: 'Name of the rider', also: 'rename' },
  'rider.art': { label: 'Art', about: 'The drawing that it shows', also: 'drawing symbol picture swap replace image' },
  'rider.guide': {
    label: 'Guide',
    about: 'The guide that it travels, or none: it is parked on the canvas',
    also: 'path attach follow park detach',
  },
  'rider.at': { label: 'Position', about: 'Where it is parked on the canvas; px', also: 'x y place move' },
  'rider.lift': {
    label: 'Offset: lift',
    about: 'Distance from the guide, to the left of its direction; px',
    also: 'beside away distance above height jump hover offset',
  },
  'rider.lead': {
    label: 'Offset: lead',
    about: 'Distance along the guide, ahead of its place; px',
    also: 'ahead behind offset',
  },
  'rider.scale': {
    label: 'Scale',
    about: 'Size relative to the drawing’s own, across and down; %',
    also: 'size bigger smaller grow shrink large',
  },
  'rider.opacity': {
    label: 'Opacity',
    about: '100 % is solid, 0 % is not seen',
    also: 'fade transparent alpha invisible appear disappear',
  },
  'rider.flip': { label: 'Flip', about: 'Mirrored left and right, or up and down', also: 'mirror reflect backwards' },
  'rider.pivot': {
    label: 'Pivot',
    about: 'The point of the drawing that stays on the guide and that it turns about; px of the drawing',
    also: 'anchor origin centre registration',
  },
  'rider.output': { label: 'Sent', about: 'Whether it is in what is sent', also: 'export hide exclude' },
  'rider.carrier': {
    label: 'Carrier',
    about: 'The rider with which it moves; it stays where it is until that moves',
    also: 'parent',
  },
  'rider.inherits': { label: 'Inherits', about: 'What it inherits from its carrier' },
  'rider.inside': {
    label: 'Longest loop',
    about: 'Length of the longest loop within it; all within it run faster or slower together; seconds',
  },
  'rider.look': { label: 'Place', about: 'Previews it anywhere along its guide; nothing is changed' },
  'rider.raise': {
    label: 'Raise',
    about: 'Lift as a share of its height, so that it stands on its feet at any scale; %',
  },
  'rider.liftBy': {
    label: 'Direction',
    about:
      'Where lift goes: across the guide it turns with every bend, up it is the same everywhere, rounded it follows the guide’s direction averaged over a stretch',
  },
  'rider.rounding': { label: 'Rounded over', about: 'Length of guide over which its direction is averaged; px' },
  'rider.shift': {
    label: 'Fixed offset',
    about: 'Distance from its place that does not turn with the guide; px to the right and down',
  },
  'rider.roll.radius': { label: 'Radius', about: 'Rolling radius; px' },
  'rider.roll.guide': { label: 'Guide is', about: 'The ground that it rolls on, or the path of its centre' },
  'rider.roll.side': {
    label: 'Side',
    about: 'Side of the guide that it rolls on, as seen along its direction: left is above where it runs right',
  },
  'rider.squash.by': { label: 'Stretches', about: 'By keyframes, or with its speed. Its area stays the same' },
  'rider.squash.key': { label: 'Stretch', about: 'Length along its axis at the playhead; %' },
  'rider.squash.amount': { label: 'Amount', about: 'Stretch for each 1,000 px/s; %' },
  'rider.squash.limit': { label: 'Limit', about: 'It is stretched to this at most; %' },
  'rider.squash.axis': {
    label: 'Axis',
    about: 'Along its heading, along a direction of the canvas, or along one of the drawing',
  },
  'rider.squash.angle': { label: 'Axis angle', about: 'Direction in which it stretches: 0° across, 90° down' },
  'rider.squash.about': { label: 'Fixed point', about: 'The point of the drawing that stays put; px of the drawing' },
  'rider.poses': {
    label: 'Poses',
    about: 'A still pose, or poses by time, by distance, or once through from a mark',
    also: 'frames cycle walk sprite swap',
    group: 'poses',
  },
  'rider.pose': { label: 'First pose', about: 'The pose that it shows, or begins with' },
  'rider.poses.rate': { label: 'Rate', about: 'Poses a second' },
  'rider.stride': {
    label: 'Stride',
    about: 'Distance covered by all poses, so that feet do not slide; px',
    also: 'step feet slide',
    group: 'poses',
  },
  'rider.poses.mark': { label: 'From mark', about: 'The mark at which the poses begin' },
  'rider.poses.around': { label: 'Before and after', about: 'What is shown before the first and after the last pose' },
  'rider.entrance.start': { label: 'Delay', about: 'When it enters, from the start of the lead-in; seconds' },
  'rider.entrance.seconds': { label: 'Duration', about: 'How long it takes to enter; seconds' },
  'rider.entrance.from': {
    label: 'Start offset',
    about: 'Where it comes from, relative to where the loop begins; px to the right and down',
  },
  'rider.entrance.turn': { label: 'Start rotation', about: 'Rotation with which it enters; °, clockwise' },
  'rider.entrance.scale': { label: 'Start scale', about: 'Scale with which it enters; %' },
  'rider.entrance.opacity': { label: 'Start opacity', about: 'Opacity with which it enters; %' },
  'rider.entrance.ease': { label: 'Easing', about: 'How it speeds up and slows down as it enters' },
  'rider.behind': { label: 'Behind', about: 'A rider that it passes behind for a stretch of its guide' },
  'rider.clip': { label: 'Seen', about: 'Everywhere, or only inside or outside a closed guide' },
  'rider.parallax': {
    label: 'Parallax',
    about: 'How far the camera’s movement moves it: 100 % as the scene, 0 % not at all',
  },
  'rider.strung.from': { label: 'From', about: 'The rider at which it hangs with its tail' },
  'rider.strung.to': { label: 'To', about: 'The rider that its nose reaches for' },
  'rider.strung.stretch': { label: 'Stretched', about: 'Stretched, so that its nose reaches the other end' },
  'rider.copy': { label: 'From', about: 'The rider whose motion it takes over' },
  'rider.copy.parts': { label: 'Take over', about: 'The parts of that motion to take over' },
  'rider.copies': { label: 'Number', about: 'How many there will be, itself counted' },
  'rider.copies.linked': {
    label: 'Linked',
    about: 'Linked riders share their marks: what is changed on one is changed on all',
  },
  'rider.copies.by': {
    label: 'Spacing',
    about:
      'Even in time; as far from each other everywhere on a closed guide; starting one after the other; or each so far behind the one before',
  },
  'rider.copies.seconds': { label: 'Delay each', about: 'Seconds between two that start one after the other' },
  'rider.copies.hidden': { label: 'Hidden before', about: 'In the first round each is not seen before it starts' },
  'rider.copies.gap': { label: 'Gap', about: 'Distance between two along the guide; px' },
  'rider.copies.vary': { label: 'Vary size', about: 'Sizes differ at random by up to this; %' },
  'rider.copies.arts': { label: 'Art in turn', about: 'Further art that the copies show in turn with its own' },

  // Heading
  'heading.mode': {
    label: 'Orientation',
    about: 'Level as it was drawn, along the guide, on two contacts of the guide, or toward a target',
    also: 'turn face rotate orient follow direction auto look at upright nose',
  },
  'heading.start': {
    label: 'Start',
    about: 'Nose first: it is turned into the curve. Angle kept: it stands as it does now and turns from there',
  },
  'heading.facing': {
    label: 'Art faces',
    about: 'The way in which the art was drawn to face: 0° right, 90° down',
    also: 'nose drawn direction backwards sideways',
  },
  'heading.offset': {
    label: 'Rotation offset',
    about: 'Rotation added to its orientation; °, clockwise',
    also: 'rotate spin tilt angle turn rotation',
  },
  'heading.left': {
    label: 'When heading left',
    about: 'Upside down, as the curve turns it over, or mirrored, so that it stays upright',
    also: 'upright flip upside down mirror',
  },
  'heading.contacts': {
    label: 'Contact distance',
    about: 'Distance along the guide between its two contacts; px',
    also: 'wheels axles',
  },
  'heading.target': { label: 'Target', about: 'What it faces: a rider, or a point', also: 'look at aim' },
  'heading.point': { label: 'Point', about: 'The point that it faces; px' },
  'heading.smooth': { label: 'Over', about: 'Length of guide over which its direction is averaged; px' },
  'heading.reverse': {
    label: 'Then',
    about:
      'Where it moves against the guide’s direction, and on the way back of there and back: it turns round, or keeps its facing',
  },
  'heading.limit': { label: 'At most', about: 'Degrees that it turns in a second at most; °/s' },

  // Pace
  'pace.mark': { label: 'Mark', about: 'The selected mark, and its time; seconds', also: 'time keyframe when' },
  'pace.place': {
    label: 'Position',
    about: 'Where on the guide it is then; px from its start, a share such as 20 %, laps, or the name of a node',
    also: 'place distance where',
  },
  'pace.rest': { label: 'Rest', about: 'How long it stays there; seconds', also: 'stop pause hold wait dwell' },
  'pace.ease': {
    label: 'Easing of the next leg',
    about: 'How speed changes from this mark to the next',
    also: 'ease in out slow down speed up accelerate decelerate curve linear bounce spring',
  },
  'pace.legspeed': {
    label: 'Speed of the next leg',
    about: 'Mean speed to the next mark; px/s. What comes after it moves in time',
    also: 'slow place slower faster velocity pace of a leg speed here',
  },
  'pace.delay': {
    label: 'Delay',
    about: 'How much later it starts; seconds. Negative: earlier',
    also: 'start later offset stagger wait begin',
  },
  'pace.recipe': {
    label: 'Pace from',
    about: 'Marks set by hand, or a recipe that goes by their places and follows the guide',
    also: 'gravity constant speed bends hop random physics fall recipe slow curves',
  },
  'pace.marks': {
    label: 'Marks',
    about: 'Adds a mark at the playhead, lists all of them, deletes the selected ones',
    also: 'add keyframe delete table list',
  },
  'pace.seed': { label: 'Next seed', about: 'Another random variation of the same kind' },
  'pace.landings': {
    label: 'Landings',
    about:
      'When it lands: as it falls, at the marks’ times with gravity as needed, or at their times with heights as set',
  },
  'pace.landing.squash': { label: 'Squash on landing', about: 'How far a landing squashes it; %' },
  'pace.fit': {
    label: 'Fit to time',
    about: 'Speeds are scaled so that the last mark is reached at its time; else it arrives when it does',
  },
  'pace.repeat': { label: 'Repeat', about: 'How this rider repeats: as the scene does, or by itself' },
  'pace.rounds': {
    label: 'Rounds',
    about: 'Number of rounds before it holds; 0: endlessly. It starts again with the scene’s loop',
  },
  'pace.cycle': { label: 'Length', about: 'Length of this rider’s own cycle; seconds' },
  'pace.cycle.how': {
    label: 'On a new length',
    about: 'Its marks and keyframes are scaled with it, or keep their times and room is added at the end',
  },
  'pace.speed': {
    label: 'Speed',
    about: 'How many times as fast this rider is; 0.5 is half as fast',
    also: 'slow down faster slower speed up half double',
    group: 'speed',
  },
  'pace.on': {
    label: 'Step',
    about: 'How many frames each position is held',
    also: 'on twos threes stepped stop motion choppy',
    group: 'step',
  },
  'pace.first': {
    label: 'First round',
    about: 'As always; hidden until it starts; or played through once, before the loop',
  },
  'pace.leadin': { label: 'In the lead-in', about: 'What it does while others enter' },
  'pace.turn': {
    label: 'All marks',
    about: 'Plays the marks backwards in time, or mirrors them along the guide',
    also: 'reverse backwards play reversed mirror',
    group: 'all-marks',
  },
  'pace.scale': {
    label: 'Scale times by',
    about: 'Scales the times of the marks about the first of them, or about the playhead; %',
    also: 'stretch slower faster retime',
    group: 'all-marks',
  },
  'pace.key': { label: 'Keyframe', about: 'Time of the selected keyframes, seconds, and the easing that follows' },
  'pace.key.tie': {
    label: 'Moves with',
    about: 'Keeps its distance in time from this mark: where the mark is moved, the keyframe goes along',
  },
  'pace.key.edge': { label: 'With the mark’s', about: 'The arrival at the mark, or the end of its rest' },
  'guide.lane': {
    label: 'Width',
    about:
      'Width of the lane about the guide that its riders stay within; px. The Checks card says where they leave it',
    also: 'corridor road track lane',
    group: 'lane',
  },
  'rider.bounds': {
    label: 'Area',
    about: 'The lane, closed guide, track of two guides, or drawing that it is checked against',
    also: 'corridor bounds road asphalt region keep inside avoid obstacle',
    group: 'bounds',
  },
  'rider.bounds.part': { label: 'Part', about: 'All that the drawing paints, or one part of it, by its id' },
  'rider.bounds.side': { label: 'Stays', about: 'Within the area, or out of it' },
  'rider.bounds.by': { label: 'Checked by', about: 'All that it paints, or its pivot alone' },
  'checks.clearance': {
    label: 'Keep apart',
    about:
      'Least distance between riders that move against each other, by what they paint; px. 0: they must not overlap',
    also: 'collision overlap clearance touch crash gap distance hit collide',
  },
} as const satisfies Readonly<Record<string, RowWords>>;

/** A row of a card. */
export type RowName = keyof typeof ROWS;

/** What is said of a row. */
export const rowWords = (of: RowName): RowWords => ROWS[of];
