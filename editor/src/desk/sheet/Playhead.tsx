import { useRef } from 'react';
import { xOfTime, type Axes } from '@pace-line/core';
import { useFrame, useOpenScene } from '../../scene/context.ts';

/** ms. While it plays, a reader follows no more than twenty figures a second; each costs a layout. */
const FIGURES_EVERY = 50;

/** px from the right edge within which the speed stands left of the head. */
const NEAR_END = 80;

/** The playhead over the sheet, with the selected rider's speed beside it. Drawn in the frame, not by React. */
export function Playhead({ axes, rider }: { axes: Axes; rider: string | undefined }) {
  const { playback } = useOpenScene();
  const head = useRef<HTMLDivElement>(null);
  const speed = useRef<HTMLSpanElement>(null);
  const said = useRef(0);
  useFrame(({ time, motion }) => {
    const x = xOfTime(axes, time);
    if (head.current) {
      head.current.style.transform = `translateX(${x.toFixed(1)}px)`;
      head.current.classList.toggle('near-end', x > axes.right - NEAR_END);
    }
    const now = performance.now();
    const moving = rider === undefined ? undefined : motion.rider(rider);
    if (!speed.current || !moving || (playback.isPlaying && now - said.current < FIGURES_EVERY)) return;
    said.current = now;
    const words = `${Math.round(Math.abs(moving.speedAt(time)))} px/s`;
    if (speed.current.textContent !== words) speed.current.textContent = words;
  });
  return (
    <div ref={head} className="playhead" aria-hidden>
      <svg width={16} height={24} viewBox="-8 0 16 24">
        <path d="M-7 4H7V15L0 23L-7 15Z" />
      </svg>
      <span ref={speed} className="figures" style={{ top: axes.bottom + 16 }} />
    </div>
  );
}
