import { Tooltip } from '@mantine/core';
import {
  IconPlayerPauseFilled,
  IconPlayerPlayFilled,
  IconPlayerTrackNext,
  IconPlayerTrackPrev,
} from '@tabler/icons-react';
import { memo, useRef } from 'react';
import { frameCount, loopLength } from '@pace-line/core';
import { useCalmState } from '../../document/index.ts';
import { useFrame, useOpenScene, usePlaying } from '../../scene/context.ts';

const SPEEDS = [
  [0.25, '¼'],
  [0.5, '½'],
  [1, '1×'],
] as const;

/** Play, pause, step; the time and the frame; the speed of watching. */
export const Transport = memo(function Transport({ zoomed, onShowAll }: { zoomed: boolean; onShowAll: () => void }) {
  const clock = useCalmState((state) => state.shown.clock);
  const { playback } = useOpenScene();
  const { playing, speed } = usePlaying();
  const time = useRef<HTMLSpanElement>(null);
  const frame = useRef<HTMLSpanElement>(null);
  const length = loopLength(clock);
  const count = frameCount(clock);
  const said = useRef(0);
  // While it plays, a reader follows no more than twenty figures a second; each costs a layout.
  useFrame(({ time: now }) => {
    const at = performance.now();
    if (playback.isPlaying && at - said.current < 50) return;
    said.current = at;
    if (time.current) time.current.textContent = now.toFixed(2);
    if (frame.current) frame.current.textContent = String(Math.floor((now / length) * count + 1e-6));
  });
  return (
    <div className="transport" role="toolbar" aria-label="Transport">
      <Tooltip label="One frame back (,)">
        <button
          type="button"
          className="plain-button"
          aria-label="One frame back"
          onClick={() => playback.step(-1, clock.fps)}
        >
          <IconPlayerTrackPrev size={15} aria-hidden />
        </button>
      </Tooltip>
      <Tooltip label={playing ? 'Pause (space)' : 'Play (space)'}>
        <button
          type="button"
          className="play-button"
          aria-label={playing ? 'Pause' : 'Play'}
          onClick={() => playback.toggle()}
        >
          {playing ? <IconPlayerPauseFilled size={15} aria-hidden /> : <IconPlayerPlayFilled size={15} aria-hidden />}
        </button>
      </Tooltip>
      <Tooltip label="One frame on (.)">
        <button
          type="button"
          className="plain-button"
          aria-label="One frame on"
          onClick={() => playback.step(1, clock.fps)}
        >
          <IconPlayerTrackNext size={15} aria-hidden />
        </button>
      </Tooltip>
      <span className="figures readout">
        <span
          ref={time}
          className="frame-figure"
          style={{ minWidth: `${length.toFixed(2).length}ch` }}
          data-readout="time"
        />{' '}
        <span className="muted">/ {length.toFixed(2)} s</span>
      </span>
      <span className="figures muted readout frame-readout">
        frame{' '}
        <span
          ref={frame}
          className="frame-figure"
          style={{ minWidth: `${String(count - 1).length}ch` }}
          data-readout="frame"
        />
      </span>
      <div className="segments" role="group" aria-label="Speed of watching">
        {SPEEDS.map(([value, label]) => (
          <button
            key={value}
            type="button"
            aria-pressed={speed === value}
            aria-label={`Watch at ${label} speed`}
            onClick={() => playback.setSpeed(value)}
          >
            {label}
          </button>
        ))}
      </div>
      <span className="spacer" />
      {zoomed && (
        <button type="button" className="plain-button" onClick={onShowAll}>
          whole loop
        </button>
      )}
    </div>
  );
});
