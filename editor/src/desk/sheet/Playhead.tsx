import { useRef } from 'react';
import { xOfTime, type Axes } from '@pace-line/core';
import { useFigure, useFrame } from '../../scene/context.ts';

/** px from the right edge within which the speed stands left of the head, where it has this room before the names. */
const NEAR_END = 80;
const ROOM = 58;

/** The playhead over the sheet, with the selected rider's own speed beside it, whatever its guide's point does. Drawn in the frame, not by React. */
export function Playhead({ axes, rider }: { axes: Axes; rider: string | undefined }) {
  const head = useRef<HTMLDivElement>(null);
  const speed = useRef<HTMLSpanElement>(null);
  useFrame(({ time }) => {
    const x = xOfTime(axes, time);
    if (!head.current) return;
    head.current.style.transform = `translateX(${x.toFixed(1)}px)`;
    head.current.classList.toggle('near-end', x > Math.max(axes.right - NEAR_END, axes.left + ROOM));
  });
  useFigure(({ time, motion }) => {
    const moving = rider === undefined ? undefined : motion.rider(rider);
    if (!speed.current || !moving) return;
    const words = `${Math.round(moving.ownSpeedAt(time))} px/s`;
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
