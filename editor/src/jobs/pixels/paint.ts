import {
  displayOrder,
  drawerOf,
  drawnShare,
  guideById,
  pathData,
  pathOfGuide,
  POSE,
  POSE_SIZE,
  prepare,
  viewOf,
  type Guide,
  type Motion,
  type Rider,
  type Scene,
} from '@pace-line/core';
import { matrixAt } from './matrix-at.ts';
import type { Pictures } from './pictures.ts';

/** Paints a scene at any time on a canvas of its size times a scale, or the piece of it that begins at a place, delivered px. */
export type Paint = (
  context: OffscreenCanvasRenderingContext2D,
  time: number,
  from?: { readonly x: number; readonly y: number },
) => void;

export interface PaintOptions {
  readonly scale: number;
  readonly background: boolean;
}

const PLAIN = Float64Array.of(1, 0, 0, 1, 0, 0);

/** What paints a scene with pictures of its art that have been painted before. */
export function painterOf(scene: Scene, pictures: Pictures, { scale, background }: PaintOptions): Paint {
  const motion = prepare(scene);
  const order = displayOrder(scene);
  const camera = scene.camera === null ? -1 : motion.indexOf(scene.camera);
  const clips = clipsOf(scene, motion);
  const strokes = new Map(
    scene.guides.flatMap((guide) =>
      guide.stroke ? [[guide.id, new Path2D(pathData(guide.nodes, guide.closed))]] : [],
    ),
  );
  const { width, height, background: paper } = scene.canvas;
  return (context, time, from = { x: 0, y: 0 }) => {
    const poses = motion.poseAt(time);
    const viewAt = (parallax: number): Float64Array =>
      camera < 0 ? PLAIN : viewOf(scene.canvas, poses.data, camera, parallax);
    const set = ([a = 1, b = 0, c = 0, d = 1, e = 0, f = 0]: Float64Array): void =>
      context.setTransform(a * scale, b * scale, c * scale, d * scale, e * scale - from.x, f * scale - from.y);
    context.resetTransform();
    context.clearRect(0, 0, context.canvas.width, context.canvas.height);
    set(PLAIN);
    context.imageSmoothingQuality = 'high';
    if (background && paper !== null) {
      context.fillStyle = paper;
      context.fillRect(0, 0, width, height);
    }
    for (const one of order) {
      context.save();
      if (one.kind === 'stroke') {
        set(viewAt(1));
        const carrier = motion.indexOf(one.guide.carrier ?? '');
        if (carrier >= 0) goInto(context, carrier, poses.data);
        stroke(context, scene, one.guide, strokes.get(one.guide.id), poses.data);
      } else if (one.rider.output && poses.of(one.index, 'under') === one.under) {
        set(viewAt(one.rider.parallax));
        clipTo(context, clips.get(one.rider.id), poses.data);
        art(context, one.rider, one.index, poses.data, pictures);
      }
      context.restore();
    }
  };
}

/** A shape within which a rider is seen, or outside of which. */
interface Clip {
  readonly line: Path2D;
  /** What is around it, on the canvas, where it is seen outside. */
  readonly around: Path2D;
  /** Index of the rider that carries it; -1: it lies on the canvas. */
  readonly carrier: number;
}

/** The shapes within which riders are seen, or outside of which, by the riders. */
function clipsOf(scene: Scene, motion: Motion): ReadonlyMap<string, Clip> {
  const { width, height } = scene.canvas;
  return new Map(
    scene.riders.flatMap((rider): [string, Clip][] => {
      const guide = rider.inside && guideById(scene, rider.inside.guide);
      if (!guide || !rider.inside) return [];
      const around = new Path2D();
      // As far out as the drawing of what is sent has it.
      if (rider.inside.keep === 'outside') around.rect(-50 * width, -50 * height, 100 * width, 100 * height);
      const carrier = motion.indexOf(guide.carrier ?? '');
      return [[rider.id, { line: new Path2D(pathData(guide.nodes, true)), around, carrier }]];
    }),
  );
}

/** Clips what is drawn next, in the frame of the canvas. */
function clipTo(context: OffscreenCanvasRenderingContext2D, clip: Clip | undefined, poses: Float64Array): void {
  if (!clip) return;
  const path = new Path2D(clip.around);
  const [a, b, c, d, e, f] = matrixAt(poses, clip.carrier);
  path.addPath(clip.line, { a, b, c, d, e, f });
  context.clip(path, 'evenodd');
}

function art(
  context: OffscreenCanvasRenderingContext2D,
  rider: Rider,
  index: number,
  poses: Float64Array,
  pictures: Pictures,
): void {
  const picture = pictures.get(rider.art)?.get(poses[index * POSE_SIZE + POSE.pose] ?? 0);
  if (!picture) return;
  goInto(context, index, poses);
  context.drawImage(picture.bitmap, picture.x, picture.y, picture.width, picture.height);
}

/** Goes into the frame of a rider's art, as opaque as that is. */
function goInto(context: OffscreenCanvasRenderingContext2D, index: number, poses: Float64Array): void {
  context.globalAlpha = Math.min(1, Math.max(0, poses[index * POSE_SIZE + POSE.opacity] ?? 0));
  context.transform(...matrixAt(poses, index));
}

function stroke(
  context: OffscreenCanvasRenderingContext2D,
  scene: Scene,
  guide: Guide,
  path: Path2D | undefined,
  poses: Float64Array,
): void {
  if (!guide.stroke || !path) return;
  const { color, width, dash } = guide.stroke;
  context.strokeStyle = color;
  context.lineWidth = width;
  context.lineJoin = 'round';
  const drawer = drawerOf(scene, guide);
  const { length } = pathOfGuide(guide);
  if (drawer >= 0 && length > 0) {
    const share = drawnShare(poses[drawer * POSE_SIZE + POSE.distance] ?? 0, length);
    context.setLineDash([share * length, 2 * length]);
    if (share <= 0) return;
  } else {
    context.lineCap = 'round';
    if (dash) context.setLineDash([...dash]);
  }
  context.stroke(path);
}
