import { SLOT } from './slots.ts';

/**
 * Reads angle, scales and skew from the a, b, c, d of a row: rotate(angle) · skew · scale. `angle` in the row is what it is near to, and `scaleX` has the sign that it is to
 * have; where nothing is left of the art's width the angle stays.
 */
export function decompose(row: Float64Array): void {
  const a = row[SLOT.a] ?? 0;
  const b = row[SLOT.b] ?? 0;
  const c = row[SLOT.c] ?? 0;
  const d = row[SLOT.d] ?? 0;
  const base = row[SLOT.angle] ?? 0;
  const wide = Math.sqrt(a * a + b * b);
  if (wide < VANISHING) {
    row[SLOT.scaleX] = 0;
    const high = Math.sqrt(c * c + d * d);
    row[SLOT.scaleY] = d * Math.cos(base) - c * Math.sin(base) < 0 ? -high : high;
    row[SLOT.skew] = 0;
    return;
  }
  const scaleX = (row[SLOT.scaleX] ?? 1) < 0 ? -wide : wide;
  const ux = a / scaleX;
  const uy = b / scaleX;
  const cos = Math.cos(base);
  const sin = Math.sin(base);
  const det = a * d - b * c;
  row[SLOT.angle] = base + Math.atan2(cos * uy - sin * ux, cos * ux + sin * uy);
  row[SLOT.scaleX] = scaleX;
  row[SLOT.scaleY] = det / scaleX;
  row[SLOT.skew] = Math.abs(det) < VANISHING * wide ? 0 : Math.atan((a * c + b * d) / det);
}

/** Factor below which nothing of a drawing is left. */
const VANISHING = 1e-12;
