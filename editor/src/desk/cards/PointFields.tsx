import { NumberField, PX } from '../../fields/index.ts';

interface PointFieldsProps {
  /** What the point is; its fields are called "… x" and "… y". */
  readonly label: string;
  readonly point: readonly [number, number];
  readonly disabled?: boolean;
  readonly onCommit: (point: readonly [number, number]) => void;
}

/** A point as two fields, px. */
export function PointFields({ label, point: [x, y], disabled = false, onCommit }: PointFieldsProps) {
  const field = (axis: string, value: number, commit: (next: number) => void) => (
    <NumberField label={`${label} ${axis}`} value={value} unit="px" units={PX} disabled={disabled} onCommit={commit} />
  );
  return (
    <>
      {field('x', x, (next) => onCommit([next, y]))}
      {field('y', y, (next) => onCommit([x, next]))}
    </>
  );
}
