interface MarkFlagProps {
  readonly x: number;
  readonly y: number;
  readonly normalX: number;
  readonly normalY: number;
  readonly time: number;
  readonly zoom: number;
  readonly isSelected: boolean;
}

/** A mark as a flag on the guide: a stem, a pennant, its time while it is selected. */
export function MarkFlag({ x, y, normalX, normalY, time, zoom, isSelected }: MarkFlagProps) {
  const lean = normalY <= 0 ? 1 : -1;
  const top = 20;
  const tx = normalX * top * lean;
  const ty = normalY * top * lean;
  return (
    <g className={`flag ${isSelected ? 'selected' : ''}`} transform={`translate(${x} ${y}) scale(${1 / zoom})`}>
      <path className="flag-stem" d={`M0 0L${tx} ${ty}`} />
      <circle className="flag-foot" r={3.5} />
      <g transform={`translate(${tx} ${ty})`}>
        <g className="upright">
          <path className="flag-pennant" d="M0 0l11 3.500l-11 4.500Z" />
          {isSelected && (
            <text className="flag-label" x={14} y={7}>
              {time.toFixed(2)} s
            </text>
          )}
        </g>
      </g>
    </g>
  );
}
