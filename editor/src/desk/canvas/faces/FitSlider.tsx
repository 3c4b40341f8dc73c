import { Slider } from '@mantine/core';
import { guideById, setOutline, actedMotion, refitActed, type Scene } from '@pace-line/core';
import { useDocumentState } from '../../../document/index.ts';
import { strokeNodes, type LastStroke } from '../../../tools/index.ts';
import { useTrial } from '../../use-trial.ts';

interface FitSliderProps {
  readonly label: string;
  readonly unit: string;
  readonly min: number;
  readonly max: number;
  readonly step: number;
  readonly value: number;
  readonly onChange: (value: number) => void;
  readonly last: LastStroke | null;
}

/** A value of the fit; while the last stroke is still there it is fitted again as the slider moves, as one step of undo. */
export function FitSlider({ label, unit, min, max, step, value, onChange, last }: FitSliderProps) {
  const trial = useTrial();
  const count = useDocumentState((state) => (last ? guideById(state.shown, last.guide)?.nodes.length : undefined));
  const change = (next: number): void => {
    onChange(next);
    if (last)
      trial.show(last.kind === 'sketch' ? 'Fit sketch' : 'Smooth the hand', (base) => fittedAgain(base, last, next));
  };
  const end = (): void => trial.rest();
  return (
    <>
      <span className="option-label">{label}</span>
      <Slider
        className="fit-slider"
        size="sm"
        min={min}
        max={max}
        step={step}
        value={value}
        onChange={change}
        onChangeEnd={end}
        label={null}
        thumbLabel={`${label}, ${unit}`}
      />
      <span className="figures option-value">
        {value} {unit}
      </span>
      {count !== undefined && <span className="muted">{count} nodes</span>}
    </>
  );
}

/** The scene with the last stroke or motion of the hand fitted with another value. */
function fittedAgain(scene: Scene, last: LastStroke, value: number): Scene {
  const guide = guideById(scene, last.guide);
  if (!guide) return scene;
  if (last.kind === 'sketch') {
    const nodes = strokeNodes(last.stroke, value, last.closed).map((node, i) => ({
      ...node,
      id: `${guide.id}-n${i + 1}`,
    }));
    return nodes.length < 2 ? scene : setOutline(scene, { guide: guide.id, nodes, closed: last.closed });
  }
  if (last.kind !== 'acted') return scene;
  const acted = actedMotion(last.hand, { smoothing: value });
  return acted ? refitActed(scene, { rider: last.rider, guide: guide.id, acted, ids: `${last.rider}-a` }) : scene;
}
