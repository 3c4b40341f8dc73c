import type { Page } from '@playwright/test';
import { artById, prepare, type Motion, type Scene } from '@pace-line/core';

/** The four corners of an art's box on the canvas, px. */
export type Corners = readonly (readonly [number, number])[];

/** Where the evaluator puts the corners of a rider's art at a time. */
export function expectedCorners(scene: Scene, motion: Motion, rider: number, time: number): Corners {
  const poses = motion.poseAt(time);
  const art = artById(scene, scene.riders[rider]?.art ?? '');
  const m = (key: 'a' | 'b' | 'c' | 'd' | 'e' | 'f'): number => poses.of(rider, key);
  const [w, h] = [art?.width ?? 0, art?.height ?? 0];
  return [
    [0, 0],
    [w, 0],
    [0, h],
    [w, h],
  ].map(([x = 0, y = 0]) => [m('a') * x + m('c') * y + m('e'), m('b') * x + m('d') * y + m('f')] as const);
}

/**
 * Where the browser shows them in an animated SVG that is in the page: all CSS animations are paused and set to the time, and the art's own
 * matrix to the drawing's pixels is read back. Riders are the moving groups in order of drawing.
 */
export async function shownCorners(
  page: Page,
  times: readonly number[],
  boxes: readonly { width: number; height: number }[],
  seek = true,
): Promise<Corners[][]> {
  return page.evaluate(
    ({ times, boxes, seek }) => {
      const svg = document.querySelector('svg');
      if (!svg) throw new Error('no drawing');
      const animations = document.getAnimations();
      if (seek) animations.forEach((animation) => animation.pause());
      const clipped = svg.querySelector(':scope > g');
      if (!clipped) throw new Error('no riders');
      const riders = [...clipped.children].filter((child) => child.localName === 'g') as SVGGElement[];
      const isPose = (element: Element): boolean => element.localName === 'g' && element.hasAttribute('class');
      // A rider stands in groups, one in another, that hold a transform or move; the innermost of them has the art's own pixels.
      const isWrapper = (element: Element | null | undefined): element is SVGGElement =>
        element?.localName === 'g' &&
        (element.childElementCount === 1 || [...element.children].every(isPose)) &&
        element.attributes.length > 0 &&
        [...element.attributes].every(({ name }) => ['class', 'id', 'transform', 'opacity'].includes(name));
      const inner = riders.map((group) => {
        let deepest = group;
        while (deepest.childElementCount === 1 && isWrapper(deepest.firstElementChild))
          deepest = deepest.firstElementChild;
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
    },
    { times, boxes, seek },
  );
}

/** The largest gap between what is shown and what the evaluator says, over times and riders, px; without `seek` of what the page shows by itself. */
export async function worstGap(
  page: Page,
  scene: Scene,
  times: readonly number[],
  { seek = true }: { readonly seek?: boolean } = {},
): Promise<{ gap: number; rider: string; time: number }> {
  const motion = prepare(scene);
  const sent = scene.riders.map((rider, index) => ({ rider, index })).filter(({ rider }) => rider.output);
  const boxes = sent.map(({ rider }) => {
    const art = artById(scene, rider.art);
    return { width: art?.width ?? 0, height: art?.height ?? 0 };
  });
  const shown = await shownCorners(page, times, boxes, seek);
  let worst = { gap: 0, rider: '', time: 0 };
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
