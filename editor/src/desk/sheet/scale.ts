/** Where time and distance stand on the sheet, px. Immutable. */
export interface SheetScale {
  /** The chart's rectangle within the pane. */
  readonly left: number;
  readonly right: number;
  readonly top: number;
  readonly bottom: number;
  /** Seconds at the left and right edge. */
  readonly from: number;
  readonly to: number;
  /** px along the guide at the bottom and top edge. */
  readonly low: number;
  readonly high: number;
}

export const xOf = (s: SheetScale, time: number): number =>
  s.left + ((time - s.from) / (s.to - s.from)) * (s.right - s.left);
export const timeOf = (s: SheetScale, x: number): number =>
  s.from + ((x - s.left) / (s.right - s.left)) * (s.to - s.from);
export const yOf = (s: SheetScale, distance: number): number =>
  s.bottom - ((distance - s.low) / (s.high - s.low)) * (s.bottom - s.top);
export const distanceOf = (s: SheetScale, y: number): number =>
  s.low + ((s.bottom - y) / (s.bottom - s.top)) * (s.high - s.low);

/** Round steps of a scale with at least `gap` px between its rules: 1, 2 or 5 times a power of ten. */
export function roundStep(span: number, length: number, gap: number): number {
  const least = (span / Math.max(length, 1)) * gap;
  const power = 10 ** Math.floor(Math.log10(least));
  return ([1, 2, 5, 10].find((k) => k * power >= least) ?? 10) * power;
}

/** Multiples of a step within a range. */
export function multiples(from: number, to: number, step: number): number[] {
  const first = Math.ceil(from / step - 1e-9);
  const last = Math.floor(to / step + 1e-9);
  return Array.from({ length: Math.max(0, last - first + 1) }, (_, i) => (first + i) * step);
}
