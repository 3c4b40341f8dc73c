import { riderById } from '@pace-line/core';
import { useDocumentState } from '../../../document/index.ts';
import { Segments } from '../../cards/Card.tsx';
import { useToolOptions, type OptionsProps } from './face.ts';
import { FitSlider } from './FitSlider.tsx';

export function ActOutOptions({ last }: OptionsProps) {
  const [{ countIn, actSpeed, actSmoothing }, set] = useToolOptions();
  const rider = useDocumentState((state) => riderById(state.shown, state.selection.riders[0] ?? ''));
  return (
    <>
      <span className="muted">{rider ? `for ${rider.name}` : 'select a rider'}</span>
      <span className="option-label">Starts</span>
      <Segments
        label="Beats of the count-in"
        value={String(countIn)}
        options={[
          ['0', 'at once'],
          ['3', 'after 3 beats'],
          ['5', '5'],
        ]}
        onChange={(value) => set({ countIn: Number(value) })}
      />
      <span className="option-label">Recording speed</span>
      <Segments
        label="Speed while acting"
        value={String(actSpeed)}
        options={[
          ['0.25', '¼'],
          ['0.5', '½'],
          ['1', '1×'],
        ]}
        onChange={(value) => set({ actSpeed: Number(value) })}
      />
      <FitSlider
        label="Smooth"
        unit="s"
        min={0}
        max={0.3}
        step={0.01}
        value={actSmoothing}
        onChange={(value) => set({ actSmoothing: value })}
        last={last?.kind === 'acted' ? last : null}
      />
    </>
  );
}
