import {
  drawerOf,
  EMPTY_BOX,
  guideById,
  pathOfGuide,
  POSE,
  POSE_SIZE,
  prepare,
  transformed,
  unionOf,
  viewOf,
  type Box,
  type Matrix,
  type PixelRect,
  type Scene,
} from '@pace-line/core';
import { matrixAt } from './matrix-at.ts';
import type { Pictures } from './pictures.ts';

/** px beyond what is drawn that its edges are mixed with. */
const EDGE = 2;

/** What of a pose shows. */
const SEEN = ['a', 'b', 'c', 'd', 'e', 'f', 'opacity', 'pose', 'under'] as const;

/**
 * The piece of a frame that may differ from the frame before, as frames are asked for one after the other: where what has moved was and is. It is worked out from
 * the motion alone: reading the pixels back takes longer than painting them.
 */
export class Touched {
  readonly #scene: Scene;
  readonly #pictures: Pictures;
  readonly #scale: number;
  readonly #size: { readonly width: number; readonly height: number };
  readonly #motion;
  readonly #camera: number;
  /** Whom what each rider is seen within is carried by, by their indices; −1: nobody. */
  readonly #clipping: readonly number[];
  #before: Float64Array | undefined;
  #frame = -2;
  #found: PixelRect;

  /** `scale`: delivered px of a canvas px; `size`: of a frame, delivered px. */
  constructor(
    scene: Scene,
    pictures: Pictures,
    scale: number,
    size: { readonly width: number; readonly height: number },
  ) {
    this.#scene = scene;
    this.#pictures = pictures;
    this.#scale = scale;
    this.#size = size;
    this.#motion = prepare(scene);
    this.#camera = scene.camera === null ? -1 : this.#motion.indexOf(scene.camera);
    this.#clipping = scene.riders.map(({ inside }) =>
      this.#motion.indexOf((inside && guideById(scene, inside.guide)?.carrier) ?? ''),
    );
    this.#found = this.#whole();
  }

  since(frame: number, time: number): PixelRect {
    if (frame === this.#frame) return this.#found;
    const now = Float64Array.from(this.#motion.poseAt(time).data);
    const before = frame === this.#frame + 1 ? this.#before : undefined;
    this.#found = before ? this.#between(before, now) : this.#whole();
    this.#before = now;
    this.#frame = frame;
    return this.#found;
  }

  #whole(): PixelRect {
    return { x: 0, y: 0, ...this.#size };
  }

  #between(before: Float64Array, now: Float64Array): PixelRect {
    const { riders, guides } = this.#scene;
    const differs = (index: number, key: keyof typeof POSE): boolean =>
      before[index * POSE_SIZE + POSE[key]] !== now[index * POSE_SIZE + POSE[key]];
    const isMoved = (index: number): boolean => index >= 0 && SEEN.some((key) => differs(index, key));
    if (isMoved(this.#camera)) return this.#whole();
    let box = EMPTY_BOX;
    riders.forEach((rider, index) => {
      if (!rider.output || !(isMoved(index) || isMoved(this.#clipping[index] ?? -1))) return;
      box = unionOf(box, unionOf(this.#boxOf(index, before), this.#boxOf(index, now)));
    });
    for (const guide of guides) {
      const drawer = drawerOf(this.#scene, guide);
      const carrier = this.#motion.indexOf(guide.carrier ?? '');
      const isCarried = isMoved(carrier);
      if (!guide.stroke || !(isCarried || (drawer >= 0 && differs(drawer, 'distance')))) continue;
      const { left, top, right, bottom } = pathOfGuide(guide).bounds;
      const edge = guide.stroke.width;
      const around = { left: left - edge, top: top - edge, right: right + edge, bottom: bottom + edge };
      for (const poses of isCarried ? [before, now] : [now])
        box = unionOf(box, this.#seen(around, matrixAt(poses, carrier), 1, poses));
    }
    return this.#rectOf(box);
  }

  /** Where a rider's picture is on the canvas. */
  #boxOf(index: number, poses: Float64Array): Box {
    const rider = this.#scene.riders[index];
    const picture = rider && this.#pictures.get(rider.art)?.get(poses[index * POSE_SIZE + POSE.pose] ?? 0);
    if (!picture) return EMPTY_BOX;
    const { x, y, width, height } = picture;
    const box = { left: x, top: y, right: x + width, bottom: y + height };
    return this.#seen(box, matrixAt(poses, index), rider.parallax, poses);
  }

  /** A box that a matrix and then the view move. */
  #seen({ left, top, right, bottom }: Box, matrix: Matrix, parallax: number, poses: Float64Array): Box {
    let view: Matrix = [1, 0, 0, 1, 0, 0];
    if (this.#camera >= 0) {
      const [a = 1, b = 0, c = 0, d = 1, e = 0, f = 0] = viewOf(this.#scene.canvas, poses, this.#camera, parallax);
      view = [a, b, c, d, e, f];
    }
    return [
      [left, top],
      [right, top],
      [right, bottom],
      [left, bottom],
    ].reduce((box, [x = 0, y = 0]) => {
      const [px, py] = transformed(view, transformed(matrix, [x, y]));
      return unionOf(box, { left: px, top: py, right: px, bottom: py });
    }, EMPTY_BOX);
  }

  /** The whole px that a box touches; one where it touches none. */
  #rectOf({ left, top, right, bottom }: Box): PixelRect {
    const { width, height } = this.#size;
    const low = (value: number, most: number): number =>
      Math.min(most - 1, Math.max(0, Math.floor(value * this.#scale) - EDGE));
    const high = (value: number, most: number): number => Math.min(most, Math.ceil(value * this.#scale) + EDGE);
    const [x, y] = [low(left, width), low(top, height)];
    const [w, h] = [high(right, width) - x, high(bottom, height) - y];
    return left <= right && w > 0 && h > 0 ? { x, y, width: w, height: h } : { x: 0, y: 0, width: 1, height: 1 };
  }
}
