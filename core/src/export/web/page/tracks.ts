import type { Key } from './data.ts';

const WRITE: Readonly<Record<string, (v: number) => readonly [property: string, text: string | number]>> = {
  x: (v) => ['transform', `translate(${v}px)`],
  y: (v) => ['transform', `translateY(${v}px)`],
  t: (v) => ['transform', `rotate(${v}deg)`],
  k: (v) => ['transform', `skewX(${v}deg)`],
  w: (v) => ['transform', `scaleX(${v})`],
  h: (v) => ['transform', `scaleY(${v})`],
  o: (v) => ['opacity', v],
  d: (v) => ['strokeDashoffset', v],
  T: (v) => ['rotate', `${v}deg`],
};

/** The value of a track at a share of the loop. */
export function valueOf(keys: readonly Key[], share: number): number {
  let i = keys.length - 1;
  while (i > 0 && keys[i]![0] > share) i--;
  const [t0, v0, a, b] = keys[i]!;
  const next = keys[i + 1];
  if (!next || next[0] <= t0) return v0;
  const u = Math.min(1, Math.max(0, (share - t0) / (next[0] - t0)));
  const s = 1 - u;
  return v0 + (next[1] - v0) * (a === undefined ? u : u * (3 * s * s * a + u * (3 * s * b! + u)));
}

/** The property of a value, by the number of its key, and its text. */
export type Write = (value: number, key: number) => readonly [property: string, text: string | number];

/** Keyframes of the Web Animations API, as `write` has a value. Of two keys at one time the second is a jump. */
export function framesOf(keys: readonly Key[], write: Write, jumps?: number): Keyframe[] {
  const frames = keys.map(([offset, value, a, b], i): Keyframe => {
    const [name, text] = write(value, i);
    return {
      offset: Math.min(1, offset),
      [name]: text,
      easing: jumps ? 'step-end' : a === undefined ? 'linear' : `cubic-bezier(.3333,${a},.6667,${b})`,
    };
  });
  const last = frames[frames.length - 1]!;
  if (last.offset! < 1) frames.push({ ...last, offset: 1 });
  return frames;
}

/** How a track's property is written. */
export const writerOf = (property: string): ((v: number) => readonly [string, string | number]) => WRITE[property]!;
