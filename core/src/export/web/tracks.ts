import type { Curve, Steps } from '../../take/index.ts';
import { formatNumber } from '../text.ts';

/** One thing of a drawing that moves: of elements with a class of this name, one property. */
export interface Track {
  readonly name: string;
  /** What of it: a key of `DECLARATIONS`. */
  readonly property: Tracked;
  readonly curve: Curve | null;
  /** Of what changes at once instead of a curve. */
  readonly steps: Steps | null;
}

const degrees = (value: number): string => formatNumber((value * 180) / Math.PI, 4);
export const px = (value: number): string => formatNumber(value, 4);
const factor = (value: number): string => formatNumber(value, 6);

/** What a track animates, as a declaration of CSS: place, turn (rad), skew (rad), width and height (factors), opacity, share of a line that is drawn. */
export const DECLARATIONS = {
  x: (v: number) => `transform:translate(${px(v)}px)`,
  y: (v: number) => `transform:translateY(${px(v)}px)`,
  t: (v: number) => `transform:rotate(${degrees(v)}deg)`,
  k: (v: number) => `transform:skewX(${degrees(v)}deg)`,
  w: (v: number) => `transform:scaleX(${factor(v)})`,
  h: (v: number) => `transform:scaleY(${factor(v)})`,
  o: (v: number) => `opacity:${formatNumber(v, 4)}`,
  d: (v: number) => `stroke-dashoffset:${formatNumber(1 - v, 6)}`,
} as const;
export type Tracked = keyof typeof DECLARATIONS;

/** The same of what stands still, as part of a `transform` attribute; empty where it changes nothing. */
export const ATTRIBUTES = {
  x: (v: number) => (v === 0 ? '' : `translate(${px(v)})`),
  y: (v: number) => (v === 0 ? '' : `translate(0 ${px(v)})`),
  t: (v: number) => (v === 0 ? '' : `rotate(${degrees(v)})`),
  k: (v: number) => (v === 0 ? '' : `skewX(${degrees(v)})`),
  w: (v: number) => (v === 1 ? '' : `scale(${factor(v)} 1)`),
  h: (v: number) => (v === 1 ? '' : `scale(1 ${factor(v)})`),
} as const;
