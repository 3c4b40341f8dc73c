import { useToolOptions, type OptionsProps } from './face.ts';
import { FitSlider } from './FitSlider.tsx';

export function SketchOptions({ last }: OptionsProps) {
  const [{ sketchTolerance }, set] = useToolOptions();
  return (
    <FitSlider
      label="Tolerance"
      unit="px"
      min={0.5}
      max={24}
      step={0.5}
      value={sketchTolerance}
      onChange={(value) => set({ sketchTolerance: value })}
      last={last?.kind === 'sketch' ? last : null}
    />
  );
}
