import { tracksFromGpx } from './gpx.ts';
import { pointsFromText } from './points.ts';
import { outlinesOfTrails, placedOn, trailsOn, type TrailOutline } from './trails.ts';

/** What is asked of a file of points. */
export interface TrailsAsked {
  readonly kind: 'points' | 'gpx';
  /** What a trail without a name is called. */
  readonly name: string;
  readonly text: string;
  readonly canvas: { readonly width: number; readonly height: number };
}

export type TrailsResult =
  | {
      readonly ok: true;
      readonly outlines: readonly TrailOutline[];
      /** What was passed over, and where; the first hundred. */
      readonly skipped: readonly string[];
    }
  | { readonly ok: false; readonly message: string };

/** Of the time that it takes, reading is about so much; the rest is fitting. */
const READING = 0.6;

/** Reads a list of points, or the tracks of a GPX file, into outlines on a canvas, each within what a guide holds. Nothing is thrown. */
export function readTrails(
  { kind, name, text, canvas }: TrailsAsked,
  progress: (share: number) => void = () => undefined,
): TrailsResult {
  const fitting = (share: number): void => progress(READING + (1 - READING) * share);
  if (kind === 'points') {
    const read = pointsFromText(text);
    if (!read.ok) return read;
    progress(READING);
    const outlines = outlinesOfTrails([{ name, points: placedOn(read.points, canvas) }], fitting);
    return { ok: true, outlines, skipped: read.skipped };
  }
  const read = tracksFromGpx(text, (share) => progress(READING * share));
  if (!read.ok) return read;
  return { ok: true, outlines: outlinesOfTrails(trailsOn(read.tracks, canvas), fitting), skipped: read.skipped };
}
