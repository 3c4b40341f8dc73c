/** The sides that a box scales, in the order of its handles: corners and middles of edges. */
export const BRACKETS: readonly (readonly [sx: number, sy: number])[] = [
  [-1, -1],
  [-1, 0],
  [-1, 1],
  [0, -1],
  [0, 1],
  [1, -1],
  [1, 0],
  [1, 1],
];

/** A corner as a bracket, an edge's middle as a tick; screen px about the handle. */
const bracketData = (sx: number, sy: number): string =>
  sx !== 0 && sy !== 0 ? `M${-sx * 9} 0H0V${-sy * 9}` : sx !== 0 ? 'M0 -7V7' : 'M-7 0H7';

/** The stem and the arrow of the ring that turns. */
const [STEM, ARROW] = ['M0 7V24', 'M-2.5 -1.5A3 3 0 1 1 -1 2.5'];

/** A handle that scales, dark with a light casing: seen over any scenery. */
export function Bracket({ sx, sy, transform }: { sx: number; sy: number; transform?: string }) {
  const d = bracketData(sx, sy);
  return (
    <g transform={transform}>
      <path className="bracket-casing" d={d} />
      <path className="bracket" d={d} />
    </g>
  );
}

/** The ring on a stem that turns. */
export function TurnRing() {
  return (
    <>
      <path className="bracket-casing" d={STEM} />
      <path d={STEM} />
      <g className="upright">
        <circle r={6} />
        <path d={ARROW} />
      </g>
    </>
  );
}
