import { SHAPE_KINDS } from '@pace-line/core';
import { ChoiceField } from '../../../fields/index.ts';
import { SHAPE_NAMES } from '../../../tools/index.ts';
import { useToolOptions } from './face.ts';

export function ShapeOptions() {
  const [{ shape }, set] = useToolOptions();
  return (
    <ChoiceField
      label="Shape"
      width={150}
      value={shape}
      data={SHAPE_KINDS.map((kind) => ({ value: kind, label: SHAPE_NAMES[kind] }))}
      onChange={(value) => set({ shape: value })}
    />
  );
}
