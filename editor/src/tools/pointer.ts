/** A pointer in canvas px, with what is held and how far the view is zoomed. */
export interface Pointer {
  readonly x: number;
  readonly y: number;
  /** Screen px per canvas px: radii on the screen are divided by it. */
  readonly zoom: number;
  readonly shift: boolean;
  readonly alt: boolean;
  readonly ctrl: boolean;
  readonly kind: 'mouse' | 'pen' | 'touch';
  /** What of the canvas is in view, where that is known. */
  readonly seen?: Seen;
  /** When it was there, s, on a clock that only runs forward. */
  readonly time: number;
}

/** A part of the canvas that is in view, px. */
export interface Seen {
  readonly left: number;
  readonly top: number;
  readonly right: number;
  readonly bottom: number;
}

/** Radius of a hit area, screen px. */
export const hitRadius = (kind: Pointer['kind']): number => (kind === 'mouse' ? 7 : 12);

/** Movement, screen px, from which a press is a drag. */
export const DRAG_FROM = 3;

/** The way from one pointer to another; with Shift held to multiples of 15°. */
export function wayOf(from: Pick<Pointer, 'x' | 'y'>, to: Pointer): [number, number] {
  return to.shift ? heldToAngles([to.x - from.x, to.y - from.y]) : [to.x - from.x, to.y - from.y];
}

/** A vector turned to the nearest multiple of 15°, as long as its shadow there. */
export function heldToAngles([x, y]: readonly [number, number]): [number, number] {
  const step = Math.PI / 12;
  const angle = Math.round(Math.atan2(y, x) / step) * step;
  const [ux, uy] = [Math.cos(angle), Math.sin(angle)];
  const size = x * ux + y * uy;
  const round = (value: number): number => Math.round(value * 1e9) / 1e9 + 0;
  return [round(size * ux), round(size * uy)];
}
