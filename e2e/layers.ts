import {
  artById,
  cameraOf,
  displayOrder,
  guideById,
  IDENTITY_MATRIX,
  inverseOf,
  type Matrix,
  pathOfGuide,
  pictureOf,
  prepare,
  productOf,
  transformed,
  viewOf,
  type Scene,
} from '@pace-line/core';

/** Whether a point lies inside of a closed guide, by the even-odd rule, against many chords. */
function isWithin(scene: Scene, guide: string, x: number, y: number): boolean {
  const one = guideById(scene, guide);
  if (!one) return false;
  const path = pathOfGuide(one);
  const count = 3000;
  const points = Array.from({ length: count }, (_, i) => path.frameAtDistance((i * path.length) / count)).map(
    (frame) => [frame.x, frame.y] as const,
  );
  let crossings = 0;
  points.forEach(([x0, y0], i) => {
    const [x1, y1] = points[(i + 1) % count] ?? [x0, y0];
    if (y0 > y !== y1 > y && x < x0 + ((x1 - x0) * (y - y0)) / (y1 - y0)) crossings++;
  });
  return crossings % 2 === 1;
}

/** The colour of the plain box that is seen at a point of what is sent, by the evaluator; undefined: the canvas. */
export function colourAt(scene: Scene, time: number, x: number, y: number): string | undefined {
  const motion = prepare(scene);
  const poses = motion.poseAt(time);
  const camera = cameraOf(scene, motion);
  for (const one of displayOrder(scene).toReversed()) {
    if (one.kind !== 'rider' || !one.rider.output || poses.of(one.index, 'under') !== one.under) continue;
    const { rider, index } = one;
    const art = artById(scene, rider.art);
    const picture = art && pictureOf(art, poses.of(index, 'pose'));
    if (picture?.kind !== 'svg') continue;
    const [a = 1, b = 0, c = 0, d = 1, e = 0, f = 0] =
      camera < 0 ? [] : viewOf(scene.canvas, poses.data, camera, rider.parallax);
    const view: Matrix = [a, b, c, d, e, f];
    const own = (key: 'a' | 'b' | 'c' | 'd' | 'e' | 'f'): number => poses.of(index, key);
    const whole = productOf(view, [own('a'), own('b'), own('c'), own('d'), own('e'), own('f')]);
    const [u, v] = transformed(inverseOf(whole) ?? IDENTITY_MATRIX, [x, y]);
    if (u < 0 || v < 0 || u > picture.width || v > picture.height) continue;
    if (rider.inside) {
      const onCanvas = transformed(inverseOf(view) ?? IDENTITY_MATRIX, [x, y]);
      if (isWithin(scene, rider.inside.guide, ...onCanvas) !== (rider.inside.keep === 'inside')) continue;
    }
    return /fill="([^"]+)"/.exec(picture.markup)?.[1];
  }
  return undefined;
}
