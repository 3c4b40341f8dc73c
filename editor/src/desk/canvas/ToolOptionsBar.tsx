import { Slider } from '@mantine/core';
import { guideById, actedMotion, refitActed, riderById, SHAPE_KINDS, setOutline, type Scene } from '@pace-line/core';
import { memo, type ComponentType } from 'react';
import { ChoiceField } from '../../fields/index.ts';
import { useDocumentState } from '../../document/index.ts';
import { SHAPE_NAMES, strokeNodes, type LastStroke } from '../../tools/index.ts';
import { Segments } from '../cards/Card.tsx';
import { useOpenScene } from '../../scene/context.ts';
import { useTrial } from '../use-trial.ts';
import { useDeskView, usePreferences, type ToolName } from '../view.ts';

interface OptionsProps {
  /** The last stroke or motion of the hand, while its guide is there. */
  readonly last: LastStroke | null;
}

/** Options of each tool that has any. */
const OPTIONS: Partial<Record<ToolName, ComponentType<OptionsProps>>> = {
  sketch: SketchOptions,
  'act-out': ActOutOptions,
  'set-down': SetDownLine,
  shape: ShapeOptions,
};

/** What the active tool can be set to; after a stroke its fit can still be changed here. */
export const ToolOptionsBar = memo(function ToolOptionsBar({ tool }: { tool: ToolName }) {
  const last = useDeskView((state) => state.lastStroke);
  const isThere = useDocumentState((state) => last !== null && guideById(state.shown, last.guide) !== undefined);
  const Options = OPTIONS[tool];
  if (!Options) return null;
  return (
    <div className="tool-options" role="group" aria-label="Options of the tool">
      <Options last={isThere ? last : null} />
    </div>
  );
});

/** The options as they stand, and what changes them. */
const useToolOptions = () =>
  [usePreferences(({ toolOptions }) => toolOptions), usePreferences(({ setToolOptions }) => setToolOptions)] as const;

function SketchOptions({ last }: OptionsProps) {
  const [{ sketchTolerance }, set] = useToolOptions();
  return (
    <FitSlider
      label="Within"
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

function ActOutOptions({ last }: OptionsProps) {
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
      <span className="option-label">Act at</span>
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

function ShapeOptions() {
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

function SetDownLine() {
  const { playback } = useOpenScene();
  const rider = useDocumentState((state) => riderById(state.shown, state.selection.riders[0] ?? ''));
  const guide = useDocumentState((state) => guideById(state.shown, rider?.guide ?? null));
  const text = !rider
    ? 'Press a rider to begin.'
    : guide
      ? `${rider.name}: ${rider.pace.marks.length} placements on ${guide.name}. Move the playhead, then drag it on.`
      : `${rider.name} is parked: that is its place at 0 s. Move the playhead, then drag it on.`;
  return (
    <>
      <span className="muted option-line">{text}</span>
      {rider && (
        <button
          type="button"
          className="small-button"
          title="The playhead at the loop’s end: what is set down then is where the loop arrives (End)"
          onClick={() => {
            playback.pause();
            playback.seek(Infinity);
          }}
        >
          to the end
        </button>
      )}
    </>
  );
}

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
function FitSlider({ label, unit, min, max, step, value, onChange, last }: FitSliderProps) {
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
