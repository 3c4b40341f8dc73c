import { Tooltip } from '@mantine/core';
import {
  IconArrowsExchange,
  IconChartLine,
  IconLayersSubtract,
  IconPlayerPauseFilled,
  IconPlayerPlayFilled,
  IconArrowBarToRight,
  IconPlayerTrackNext,
  IconPlayerTrackPrev,
} from '@tabler/icons-react';
import { memo, useRef, type ReactNode } from 'react';
import { frameCount, leadInOf, loopLength } from '@pace-line/core';
import { holdGhost, swapGhost } from '../actions/ghost.ts';
import { useDesk } from '../context.ts';
import { useDeskView } from '../view.ts';
import { useDocumentState } from '../../document/index.ts';
import { useFigure, useOpenScene, usePlaying } from '../../scene/context.ts';

const SPEEDS = [
  [0.25, '¼'],
  [0.5, '½'],
  [1, '1×'],
] as const;

/** Play, pause, step; the time and the frame; the speed of watching. */
export const Transport = memo(function Transport({ zoomed, onShowAll }: { zoomed: boolean; onShowAll: () => void }) {
  return (
    <div className="transport" role="toolbar" aria-label="Transport">
      <PlayButtons />
      <Readout />
      <WatchSpeed />
      <span className="spacer" />
      <GhostButtons />
      <ChartsButton />
      {zoomed && (
        <button type="button" className="plain-button" onClick={onShowAll}>
          Whole loop
        </button>
      )}
    </div>
  );
});

/** Opens the charts under the sheet. */
function ChartsButton() {
  const isOpen = useDeskView((state) => state.charts);
  const set = useDeskView((state) => state.set);
  return (
    <Tooltip label="Charts of speed, acceleration and turn rate">
      <button
        type="button"
        className="plain-button ghost-button"
        aria-pressed={isOpen}
        aria-label="Charts"
        onClick={() => set(isOpen ? { charts: false } : { charts: true, drawer: null })}
      >
        <IconChartLine size={16} aria-hidden />
      </button>
    </Tooltip>
  );
}

/** The ghost: the scene as it was when it was held, to compare with what is made of it. */
function GhostButtons() {
  const desk = useDesk();
  const isHeld = useDeskView((state) => state.ghost !== null);
  return (
    <>
      {isHeld && (
        <Tooltip label="The ghost becomes the scene, and the scene the ghost (Shift G)">
          <button
            type="button"
            className="plain-button swap-button"
            aria-label="Swap with the ghost"
            onClick={() => swapGhost(desk)}
          >
            <IconArrowsExchange size={16} aria-hidden />
          </button>
        </Tooltip>
      )}
      <Tooltip label={isHeld ? 'Remove the ghost (G)' : 'Hold the motion as it is now, to compare (G)'}>
        <button
          type="button"
          className="plain-button ghost-button"
          aria-pressed={isHeld}
          aria-label="Ghost"
          onClick={() => holdGhost(desk)}
        >
          <IconLayersSubtract size={16} aria-hidden />
        </button>
      </Tooltip>
    </>
  );
}

function PlayButtons() {
  const fps = useDocumentState((state) => state.shown.clock.fps);
  const { playback } = useOpenScene();
  const { playing } = usePlaying();
  const enters = useDocumentState((state) => leadInOf(state.shown) > 0);
  const step = (way: 1 | -1, name: string, key: string, icon: ReactNode): ReactNode => (
    <Tooltip label={`${name} (${key})`}>
      <button type="button" className="plain-button" aria-label={name} onClick={() => playback.step(way, fps)}>
        {icon}
      </button>
    </Tooltip>
  );
  const Icon = playing ? IconPlayerPauseFilled : IconPlayerPlayFilled;
  const name = playing ? 'Pause' : 'Play';
  return (
    <>
      {step(-1, 'One frame back', ',', <IconPlayerTrackPrev size={15} aria-hidden />)}
      <Tooltip label={`${name} (space)`}>
        <button type="button" className="play-button" aria-label={name} onClick={() => playback.toggle()}>
          <Icon size={15} aria-hidden />
        </button>
      </Tooltip>
      {step(1, 'One frame on', '.', <IconPlayerTrackNext size={15} aria-hidden />)}
      {enters && (
        <Tooltip label="The lead-in once, then the loop (shift space)">
          <button type="button" className="plain-button" aria-label="Play the lead-in" onClick={() => playback.enter()}>
            <IconArrowBarToRight size={16} aria-hidden />
          </button>
        </Tooltip>
      )}
    </>
  );
}

/** The time and the frame, wide enough for the loop's last. */
function Readout() {
  const clock = useDocumentState((state) => state.shown.clock);
  const time = useRef<HTMLSpanElement>(null);
  const frame = useRef<HTMLSpanElement>(null);
  const length = loopLength(clock);
  const count = frameCount(clock);
  useFigure(({ time: now, before }) => {
    if (time.current) time.current.textContent = before < 0 ? `−${(-before).toFixed(2)}` : now.toFixed(2);
    if (frame.current) frame.current.textContent = String(Math.floor((now / length) * count + 1e-6));
  });
  const width = (most: string) => ({ width: `${most.length}ch` });
  return (
    <>
      <span className="figures readout">
        <span ref={time} className="frame-figure" style={width(length.toFixed(2))} data-readout="time" />{' '}
        <span className="muted">/ {length.toFixed(2)} s</span>
      </span>
      <span className="figures muted readout frame-readout">
        frame <span ref={frame} className="frame-figure" style={width(String(count - 1))} data-readout="frame" />
      </span>
    </>
  );
}

function WatchSpeed() {
  const { playback } = useOpenScene();
  const { speed } = usePlaying();
  return (
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
  );
}
