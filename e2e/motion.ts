import type { Page } from '@playwright/test';
import { artById, cameraOf, prepare, productOf, transformed, viewOf, type Motion, type Scene } from '@pace-line/core';

/** The four corners of an art's box on the canvas, px. */
export type Corners = readonly (readonly [number, number])[];

/** Where the evaluator puts the corners of a rider's art at a time, through the camera where there is one; `side` −1: the limit from before, where it jumps. */
export function expectedCorners(scene: Scene, motion: Motion, rider: number, time: number, side: 1 | -1 = 1): Corners {
  const poses = motion.poseAt(time, undefined, side);
  const art = artById(scene, scene.riders[rider]?.art ?? '');
  const m = (key: 'a' | 'b' | 'c' | 'd' | 'e' | 'f'): number => poses.of(rider, key);
  const [w, h] = [art?.width ?? 0, art?.height ?? 0];
  const camera = cameraOf(scene, motion);
  const [a = 1, b = 0, c = 0, d = 1, e = 0, f = 0] =
    camera < 0 ? [] : viewOf(scene.canvas, poses.data, camera, scene.riders[rider]?.parallax ?? 1);
  const whole = productOf([a, b, c, d, e, f], [m('a'), m('b'), m('c'), m('d'), m('e'), m('f')]);
  const corners = [
    [0, 0],
    [w, 0],
    [0, h],
    [w, h],
  ] as const;
  return corners.map((corner) => transformed(whole, corner));
}

/** 60 times that share no step with frames, and a millisecond on either side of every event, s. */
export function tellingTimes({ riders, length }: Motion): number[] {
  const events = riders.flatMap((rider) => rider.events(0, length));
  const around = [...new Set(events)].flatMap((time) => [time - 0.001, time + 0.001]);
  const spread = Array.from({ length: 60 }, (_, i) => ((i * 0.6180339887 + 0.0417) % 1) * length);
  return [...around, ...spread].filter((time) => time >= 0 && time < length);
}

/** Times near shares of the loop at which nothing changes at once within 4 ms, s: rounding cannot tell which of two pictures is there. */
export function calmTimes({ riders, length }: Motion, shares: readonly number[]): number[] {
  const changes = riders.flatMap((rider) => [...rider.events(0, length), ...rider.steps(0, length)]);
  return shares.map((share) => {
    let time = share * length;
    while (changes.some((change) => Math.abs(change - time) < 0.004)) time += 0.003;
    return time;
  });
}

/** What is asked of a page: at which times, s, and for boxes of which sizes; without `seek` as it is by itself. */
export interface Asked {
  readonly times: readonly number[];
  readonly boxes: readonly { readonly width: number; readonly height: number }[];
  readonly seek: boolean;
}

/**
 * Runs in a page that shows an animated SVG: all CSS animations are paused and set to each time, and the matrix of each rider's art to the drawing's pixels is read
 * back. Riders are the moving groups in order of drawing. Its text stands alone, so that other browsers can be given it.
 */
export function cornersInPage({ times, boxes, seek }: Asked): Corners[][] {
  const frame = document.querySelector('object')?.contentDocument;
  const svg = (frame ?? document).querySelector('svg');
  if (!svg) throw new Error('no drawing');
  const animations = (frame ?? document).getAnimations();
  if (seek) animations.forEach((animation) => animation.pause());
  const clipped = svg.querySelector(':scope > g');
  if (!clipped) throw new Error('no riders');
  // What holds a line alone is a carried guide, and no rider.
  const isLine = (element: Element): boolean =>
    element.localName === 'path' || (element.childElementCount === 1 && isLine(element.firstElementChild!));
  const groupsIn = (around: Element): SVGGElement[] =>
    [...around.children].filter((one) => one.localName === 'g' && !isLine(one)) as SVGGElement[];
  let riders = groupsIn(clipped);
  // A view is groups around all of them.
  while (boxes.length > 1 && riders.length === 1) riders = groupsIn(riders[0]!);
  const isPose = (element: Element): boolean => element.localName === 'g' && element.hasAttribute('class');
  // A rider stands in groups, one in another, that hold a transform or move; the innermost of them has the art's own pixels.
  const isWrapper = (element: Element | null | undefined): element is SVGGElement =>
    element?.localName === 'g' &&
    (element.childElementCount === 1 || [...element.children].every(isPose)) &&
    element.attributes.length > 0 &&
    [...element.attributes].every(({ name }) => ['class', 'id', 'transform', 'opacity', 'style'].includes(name));
  const inner = riders.map((group) => {
    let deepest = group;
    // Its picture has an id that says so, and may be fitted into its box by a transform of its own.
    while (deepest.childElementCount === 1 && isWrapper(deepest.firstElementChild)) {
      if (/i(_\d+)?$/.test(deepest.firstElementChild.id)) break;
      deepest = deepest.firstElementChild;
    }
    return deepest;
  });
  return times.map((time) => {
    if (seek) animations.forEach((animation) => (animation.currentTime = time * 1000));
    const outer = svg.getScreenCTM();
    if (!outer) throw new Error('no matrix');
    return inner.map((element, i) => {
      const matrix = outer.inverse().multiply(element.getScreenCTM()!);
      const { width, height } = boxes[i]!;
      return [
        [0, 0],
        [width, 0],
        [0, height],
        [width, height],
      ].map(([x = 0, y = 0]) => {
        const point = new DOMPoint(x, y).matrixTransform(matrix);
        return [point.x, point.y] as const;
      });
    });
  });
}

/** How often a loop is asked, and what it answers: the largest gap, the rider and the time, s. */
export interface Gap {
  readonly gap: number;
  readonly rider: string;
  readonly time: number;
}

/** The largest gap, px, between what a browser shows and what the evaluator says, over times and riders; `ask` runs `cornersInPage` there. */
export async function gapShown(
  scene: Scene,
  times: readonly number[],
  ask: (asked: Asked) => Promise<Corners[][]>,
  seek = true,
): Promise<Gap> {
  const motion = prepare(scene);
  const sent = scene.riders.map((rider, index) => ({ rider, index })).filter(({ rider }) => rider.output);
  const boxes = sent.map(({ rider }) => {
    const art = artById(scene, rider.art);
    return { width: art?.width ?? 0, height: art?.height ?? 0 };
  });
  const shown = await ask({ times, boxes, seek });
  let worst: Gap = { gap: 0, rider: '', time: 0 };
  times.forEach((time, t) =>
    sent.forEach(({ rider, index }, i) => {
      expectedCorners(scene, motion, index, time).forEach(([x, y], k) => {
        const [sx, sy] = shown[t]?.[i]?.[k] ?? [NaN, NaN];
        const gap = Math.hypot(sx - x, sy - y);
        if (!(gap <= worst.gap)) worst = { gap, rider: rider.id, time };
      });
    }),
  );
  return worst;
}

/** The same in a page of the browser tests; without `seek` of what the page shows by itself. */
export const worstGap = (
  page: Page,
  scene: Scene,
  times: readonly number[],
  { seek = true }: { readonly seek?: boolean } = {},
): Promise<Gap> => gapShown(scene, times, (asked) => page.evaluate(cornersInPage, asked), seek);
