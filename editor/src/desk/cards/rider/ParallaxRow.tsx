import type { Rider } from '@pace-line/core';
import { PERCENT } from '../../../fields/index.ts';
import { NumberRow } from '../rows.tsx';
import { usePatch } from './use-patch.ts';

/** How far the camera moves it. */
export function ParallaxRow({ rider }: { rider: Rider }) {
  const patch = usePatch(rider);
  return (
    <NumberRow
      of="rider.parallax"
      value={rider.parallax * 100}
      unit="%"
      units={PERCENT}
      min={-1000}
      max={1000}
      onCommit={(value) => patch('Set parallax', { parallax: value / 100 })}
    />
  );
}
