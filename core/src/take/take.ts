import { driveSpec, runsByTime, type DriveSpec } from '../drive/index.ts';
import { displayOrder, drawerOf, drawnShare, prepare, type Motion } from '../motion/index.ts';
import { artOfRider, pathOfGuide, riderCodes, usedAssets, type Guide, type Scene } from '../scene/index.ts';
import type { Repeat } from '../time/index.ts';
import { BAKE_TOLERANCE } from '../tolerances.ts';
import { carriedFrame, stillCurves, stillFrame, type CarriedFrame, type FrameOf } from './carried-frame.ts';
import type { Curve } from './curve.ts';
import { drawnArt, goesWith, insideOf, isEndless, type Baking, type Drawn } from './drawn-art.ts';
import { NOT_LED } from './lead-in.ts';
import { drawnStroke } from './drawn-stroke.ts';
import { Echoes } from './echoes.ts';
import { marksOf, type RiderMarks } from './marks.ts';
import { bakedView, stillView, type View } from './view.ts';

/** The baked motion of a scene: all that a writer needs, and nothing of the scene beside it. */
export interface Take {
  readonly name: string;
  readonly canvas: Scene['canvas'];
  /** Seconds that are played: of something that goes there and back, both ways. */
  readonly length: number;
  /** Seconds that are played once before it; 0: there are none, or they were not asked for. */
  readonly leadIn: number;
  /** Seconds of one way. */
  readonly duration: number;
  readonly repeat: Repeat;
  /** Delivered px of a canvas px: the tolerance is of those. */
  readonly scale: number;
  /** The scene's frames a second; its curves are continuous. */
  readonly fps: number;
  /** How often it is played; null: for ever. */
  readonly times: number | null;
  /** What drives it on a page, as that reads it. */
  readonly drive: DriveSpec;
  /** What a camera makes of the canvas; null where there is none. */
  readonly view: View | null;
  /** What is drawn, from the back to the front. */
  readonly drawing: readonly Drawn[];
  /** When riders reach their marks. */
  readonly marks: readonly RiderMarks[];
  /** Pixels of the pictures among it, base64 by their names. */
  readonly assets: Scene['assets'];
}

export interface BakeOptions {
  /** Factor from canvas px to delivered px. */
  readonly scale?: number;
  /** Largest displacement of the art box's corners, delivered px. */
  readonly tolerance?: number;
  /** Legs may be cubic in time (default), else they are straight. */
  readonly cubic?: boolean;
  /** The ways of targets that have more than curves are looked for: along paths, ahead of each other, there and back. */
  readonly ways?: boolean;
  /** Places are wanted with keys that one animation can hold: more keys, less work for whoever plays them. */
  readonly joint?: boolean;
  /** The lead-in is wanted as well, where it is played by time. */
  readonly leadIn?: boolean;
  /** Told the share of things done, 0 to 1. */
  readonly onProgress?: (share: number) => void;
}

/**
 * Bakes a scene continuously: within the tolerance of the evaluator at every time, with as few keys as that allows.
 *
 * @example
 * ```ts
 * import { readFileSync } from 'node:fs';
 * import { readScene, bake } from '@pace-line/core';
 *
 * const read = readScene(readFileSync('samples/scenes/two-ferries.paceline.json', 'utf8'));
 * if (!read.ok) throw new Error(read.problems[0]?.message);
 * const take = bake(read.scene, { tolerance: 0.25 });
 * console.log(take.length, take.drawing.length > 0); // 12 true
 * ```
 */
export function bake(
  scene: Scene,
  {
    scale = 1,
    tolerance = BAKE_TOLERANCE,
    cubic = true,
    ways = false,
    joint = false,
    leadIn: isLed = false,
    onProgress,
  }: BakeOptions = {},
): Take {
  const motion = prepare(scene);
  const leadIn = isLed && runsByTime(scene.driver) ? motion.leadIn : 0;
  const view = bakedView(scene, motion, tolerance / scale, leadIn);
  const reach = view ? view.reach : tolerance / scale;
  const order = displayOrder(scene);
  const framing = { scene, motion, tolerance: reach, cubic, leadIn };
  const codes = riderCodes(scene.riders);
  const how: Baking = {
    ...framing,
    ways,
    joint,
    codes,
    frameOf: oncePerGuide((guide) => carriedFrame(framing, guide)),
    echoes: ways && isEndless(scene) ? new Echoes(motion) : null,
  };
  const drawing = order.flatMap((one, i): Drawn[] => {
    const tell = (share: number): void => onProgress?.((i + share) / order.length);
    const drawn = one.kind === 'rider' ? drawnArt(how, one, tell) : drawnStroke(how, one);
    tell(1);
    return drawn ? [drawn] : [];
  });
  const take = takeOf(scene, motion, view?.curves ?? null, drawing, scale);
  return { ...take, leadIn, drive: driveSpec(scene, leadIn) };
}

/** Asked once of each guide, however many riders are seen within it. */
function oncePerGuide(frameOf: FrameOf): FrameOf {
  const known = new Map<Guide, CarriedFrame | null>();
  return (guide) => {
    let found = known.get(guide);
    if (found === undefined) known.set(guide, (found = frameOf(guide)));
    return found;
  };
}

function takeOf(scene: Scene, motion: Motion, view: View | null, drawing: readonly Drawn[], scale = 1): Take {
  const { name, canvas, clock } = scene;
  const { duration, repeat, fps } = clock;
  const times = repeat === 'once' ? 1 : clock.times;
  return {
    ...{ name, canvas, length: motion.length, leadIn: 0, duration, repeat, scale, fps, times, view, drawing },
    drive: driveSpec(scene),
    marks: marksOf(scene, motion.length),
    assets: assetsOf(scene, drawing),
  };
}

/** The scene as the evaluator has it at one time, s: a take in which nothing moves. */
export function stillTake(scene: Scene, time: number): Take {
  const motion = prepare(scene);
  const poses = motion.poseAt(time);
  const still = (value: number): Curve => [{ time: 0, value }];
  const codes = riderCodes(scene.riders);
  const frameOf = oncePerGuide((guide) => stillFrame(scene, motion, poses, guide));
  const drawing = displayOrder(scene).flatMap((one): Drawn[] => {
    if (one.kind === 'stroke') {
      const drawn = drawnStroke({ scene, motion, tolerance: BAKE_TOLERANCE, cubic: true, leadIn: 0, frameOf }, one);
      if (!drawn) return [];
      const { guide } = one;
      const rider = motion.riders[drawerOf(scene, guide)];
      const share = rider && drawnShare(rider.distanceAt(rider.takenAt(time, 1)), pathOfGuide(guide).length);
      return [{ ...drawn, share: drawn.share && share !== undefined ? still(share) : drawn.share }];
    }
    const { rider, index, under } = one;
    const art = artOfRider(scene, rider);
    if (!rider.output || !art || poses.of(index, 'under') !== under) return [];
    const curves = stillCurves(poses, index);
    const { id, name, parallax } = rider;
    const steps = { pose: still(poses.of(index, 'pose')), shown: still(1), posing: null, showing: null };
    const ways = { along: null, echo: null, joint: false, mirrored: false, ...NOT_LED };
    const inside = insideOf(scene, rider, frameOf);
    return [
      { kind: 'art', id, name, art, curves, ...ways, ...steps, inside, parallax, ...goesWith(scene, rider, codes) },
    ];
  });
  return takeOf(scene, motion, stillView(scene, motion, poses), drawing);
}

function assetsOf({ assets }: Scene, drawing: readonly Drawn[]): Scene['assets'] {
  const arts = drawing.flatMap((drawn) => (drawn.kind === 'art' ? [drawn.art] : []));
  return Object.fromEntries([...new Set(usedAssets(arts))].map((name) => [name, assets[name] ?? '']));
}
