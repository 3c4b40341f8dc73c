import type { Check, Finding } from '../check.ts';
import { MISSED, watchedIn, type Look, type Watched } from './watched.ts';

/** Where riders are off the canvas: for good, never wholly on it though they would fit, or for a time, which is told and not wrong. */
export const offCanvas: Check<'off-canvas'> = {
  id: 'off-canvas',
  label: 'Off the canvas',
  about:
    'Riders that are never on the canvas, or never wholly though they fit on it; and for how long others are off it',
  find({ scene, motion }) {
    // What a camera shows is another matter at every time.
    if (scene.camera !== null) return [];
    const { width, height } = scene.canvas;
    const isOff = ({ left, top, right, bottom }: Look): boolean =>
      right <= left || right <= 0 || bottom <= 0 || left >= width || top >= height;
    const beyond = ({ left, top, right, bottom }: Look): number =>
      Math.max(0, -left, -top, right - width, bottom - height);
    const fits = ({ left, top, right, bottom }: Look): boolean => right - left <= width && bottom - top <= height;
    const found = (one: Watched): Finding[] => {
      const drawn = one.looks.filter(({ left, right }) => right > left);
      const [first] = drawn;
      if (!first) return [];
      const base = { check: 'off-canvas', riders: [one.rider.id], place: null } as const;
      const spans = one.spans((look) => look.right > look.left && isOff(look));
      if (drawn.every(isOff))
        return [{ ...base, holds: false, at: first.time, spans, words: 'never on it', figures: { never: true } }];
      const best = drawn.reduce((a, b) => (beyond(b) < beyond(a) ? b : a));
      const px = beyond(best);
      if (px > MISSED && drawn.every(fits))
        return [
          {
            ...{ ...base, holds: false, at: best.time, spans: [] },
            words: `never wholly on it, ${px.toFixed(px < 10 ? 1 : 0)} px beyond at best, at ${best.time.toFixed(2)} s`,
            figures: { beyond: px },
          },
        ];
      const off = spans.reduce((sum, [from, to]) => sum + to - from, 0);
      if (off < 0.01) return [];
      const [[from]] = spans as [readonly [number, number]];
      return [
        {
          ...{ ...base, holds: true, isNote: true, at: from, spans },
          words: `${off.toFixed(2)} s, from ${from.toFixed(2)} s`,
          figures: { off },
        },
      ];
    };
    return watchedIn({ scene, length: motion.length, motion: motion.riders })
      .filter(({ rider }) => !rider.locked && rider.carrier === null && rider.strung === null)
      .flatMap(found);
  },
};
