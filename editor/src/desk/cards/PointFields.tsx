import { NumberField, PX } from '../../fields/index.ts';
import type { Frame } from '../../frame/playback.ts';
import { useLive } from '../live.tsx';

type Point = readonly [number, number];

interface PointFieldsProps {
  /** What the point is; its fields are called "… x" and "… y". */
  readonly label: string;
  readonly point: Point;
  /** Where it is in a frame, while a hand moves it. */
  readonly live?: (frame: Frame) => Point | undefined;
  readonly disabled?: boolean;
  /** `axis`: which of the two was entered. */
  readonly onCommit: (point: Point, axis: 0 | 1) => void;
}

/** A point as two fields, px. */
export function PointFields({ label, point: [x, y], live, disabled = false, onCommit }: PointFieldsProps) {
  const [liveX, liveY] = [useLive((frame) => live?.(frame)?.[0]), useLive((frame) => live?.(frame)?.[1])];
  const field = { unit: 'px', units: PX, disabled };
  return (
    <>
      <NumberField {...field} label={`${label} x`} value={x} live={liveX} onCommit={(next) => onCommit([next, y], 0)} />
      <NumberField {...field} label={`${label} y`} value={y} live={liveY} onCommit={(next) => onCommit([x, next], 1)} />
    </>
  );
}
