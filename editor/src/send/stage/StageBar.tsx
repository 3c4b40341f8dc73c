import { Slider } from '@mantine/core';
import { IconPlayerPause, IconPlayerPlay } from '@tabler/icons-react';
import { BACKDROPS, SIDES, type Backdrop, type Side } from './showing.ts';

interface Choice<T extends string> {
  readonly name: string;
  readonly of: readonly (readonly [T, string])[];
  readonly value: T;
  readonly onChange: (value: T) => void;
}

function Segments<T extends string>({ name, of, value, onChange }: Choice<T>) {
  return (
    <div className="segments" role="group" aria-label={name}>
      {of.map(([one, words]) => (
        <button key={one} type="button" aria-pressed={one === value} onClick={() => onChange(one)}>
          {words}
        </button>
      ))}
    </div>
  );
}

interface StageBarProps {
  readonly playing: boolean;
  readonly onPlaying: (playing: boolean) => void;
  readonly actual: boolean;
  readonly onActual: (actual: boolean) => void;
  readonly backdrop: Backdrop;
  readonly onBackdrop: (backdrop: Backdrop) => void;
  /** Of an output that can be held at a time: what is looked at, and when. */
  readonly compared?: {
    readonly side: Side;
    readonly onSide: (side: Side) => void;
    readonly time: number;
    readonly length: number;
    readonly onTime: (time: number) => void;
  };
  /** Of what is scrolled past: how far it has passed through the window, from 0 to 1, where it is held. */
  readonly passage?: { readonly share: number; readonly onShare: (share: number) => void };
  /** Whether it is shown as to those who ask for less motion; absent where it makes no difference. */
  readonly calm?: { readonly value: boolean; readonly onChange: (value: boolean) => void };
}

/** What is done with an output that is looked at: held, shown at its true size, on what it will stand on, beside the Desk's picture. */
export function StageBar(props: StageBarProps) {
  const { playing, onPlaying, actual, onActual, backdrop, onBackdrop, compared, passage, calm } = props;
  const Icon = playing ? IconPlayerPause : IconPlayerPlay;
  return (
    <div className="stage-bar" role="toolbar" aria-label="Looking at the output">
      <button type="button" className="bar-button" onClick={() => onPlaying(!playing)}>
        <Icon size={15} aria-hidden /> {playing ? 'Pause' : 'Play'}
      </button>
      <Segments
        name="Size"
        of={[
          ['fit', 'Fit'],
          ['actual', '1:1'],
        ]}
        value={actual ? 'actual' : 'fit'}
        onChange={(value) => onActual(value === 'actual')}
      />
      <Segments name="Behind it" of={BACKDROPS} value={backdrop} onChange={onBackdrop} />
      {compared && <Segments name="Shown" of={SIDES} value={compared.side} onChange={compared.onSide} />}
      {calm && (
        <button
          type="button"
          className="bar-button"
          aria-pressed={calm.value}
          title="As those see it who ask their system for less motion"
          onClick={() => calm.onChange(!calm.value)}
        >
          Reduced motion
        </button>
      )}
      {passage && !playing && (
        <label className="stage-time">
          <span className="figures">scrolled {Math.round(passage.share * 100)} %</span>
          <Slider
            size="sm"
            label={null}
            min={0}
            max={1}
            step={0.001}
            value={passage.share}
            onChange={passage.onShare}
            thumbLabel="How far it has been scrolled through the window"
          />
        </label>
      )}
      {compared && !playing && (
        <label className="stage-time">
          <span className="figures">{compared.time.toFixed(2)} s</span>
          <Slider
            size="sm"
            label={null}
            min={0}
            max={compared.length}
            step={0.01}
            value={compared.time}
            onChange={compared.onTime}
            thumbLabel="Time at which it is held"
          />
        </label>
      )}
    </div>
  );
}
