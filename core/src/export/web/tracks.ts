import type { Curve, Steps } from '../../take/index.ts';
import { formatNumber } from '../text.ts';
import type { Vec } from '../../geometry/index.ts';

/** One thing of a drawing that moves: of elements with a class of this name, one property. */
export interface Track {
  readonly name: string;
  /** What of it: one of those that are written below. */
  readonly property: Tracked;
  readonly curve: Curve | null;
  /** Of what changes at once instead of a curve. */
  readonly steps: Steps | null;
  /** Its loop begins with the lead-in; else where that ends. */
  readonly runs: boolean;
  /** What it is in the lead-in instead, from the beginning of that on: a curve, or steps where it changes at once; null: nothing else. */
  readonly entering: Curve | Steps | null;
  /** Of a place that goes both ways in one animation: its other channel, with the same keys, and its turn beside it. */
  readonly joint: JointTrack | null;
  /** The path along which it goes. */
  readonly path: TrackPath | null;
  /** The second half of the loop is the first one backward. */
  readonly mirrored: boolean;
}

/** What one element has beside the first channel of its place. */
export interface JointTrack {
  readonly y: Curve;
  readonly turn: Curve;
  /** What stands still within it; null: that is in groups of its own. */
  readonly within: Within | null;
}

/** What stands still within a place and a turn: of a rider whose other factors do, and its pivot away from the origin. */
export interface Within {
  readonly skew: number;
  readonly scaleX: number;
  readonly scaleY: number;
  readonly pivot: Vec;
}

/** A path as data of SVG, and whether what goes along it turns with it. */
export interface TrackPath {
  readonly data: string;
  readonly turns: boolean;
}

export const degrees = (value: number): string => formatNumber((value * 180) / Math.PI, 4);
export const px = (value: number): string => formatNumber(value, 4);
export const factor = (value: number): string => formatNumber(value, 6);
export const share = (value: number): string => formatNumber(value, 4);

/** What a track animates: place, turn (rad), skew (rad), width and height (factors), opacity, share of a line that is drawn, share of a path that is gone, the first channel of a place that goes both ways; in data (page/data.ts) both of those and their turn. Each as the number that is written, and as the declaration of CSS that holds it. */
const WRITTEN = {
  x: [px, (n: string) => `transform:translate(${n}px)`],
  y: [px, (n: string) => `transform:translateY(${n}px)`],
  t: [degrees, (n: string) => `transform:rotate(${n}deg)`],
  k: [degrees, (n: string) => `transform:skewX(${n}deg)`],
  w: [factor, (n: string) => `transform:scaleX(${n})`],
  h: [factor, (n: string) => `transform:scaleY(${n})`],
  o: [share, (n: string) => `opacity:${n}`],
  d: [(v: number) => formatNumber(1 - v, 6), (n: string) => `stroke-dashoffset:${n}`],
  X: [px, (n: string) => `translate:${n}px`],
  i: [px, (n: string) => `translate:0 ${n}px`],
  T: [degrees, (n: string) => `rotate:${n}deg`],
  j: [px, (n: string) => `translate:${n}px`],
  p: [(v: number) => formatNumber(v * 100, 5), (n: string) => `offset-distance:${n}%`],
} as const;
export type Tracked = keyof typeof WRITTEN;

/** The number of a track's value, as it is written. */
export const numberOf = (property: Tracked, value: number): string => WRITTEN[property][0](value);

/** A track's value as a declaration. */
export const declarationOf = (property: Tracked, value: number): string =>
  WRITTEN[property][1](numberOf(property, value));

/** The same of what stands still, as part of a `transform` attribute; empty where it changes nothing. */
export const ATTRIBUTES = {
  x: (v: number) => (v === 0 ? '' : `translate(${px(v)})`),
  y: (v: number) => (v === 0 ? '' : `translate(0 ${px(v)})`),
  t: (v: number) => (v === 0 ? '' : `rotate(${degrees(v)})`),
  k: (v: number) => (v === 0 ? '' : `skewX(${degrees(v)})`),
  w: (v: number) => (v === 1 ? '' : `scale(${factor(v)} 1)`),
  h: (v: number) => (v === 1 ? '' : `scale(1 ${factor(v)})`),
} as const;
