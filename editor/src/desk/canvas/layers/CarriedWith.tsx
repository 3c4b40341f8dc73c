import { useRef, useState, type ReactNode } from 'react';
import { guideById } from '@pace-line/core';
import { useFrame } from '../../../scene/context.ts';
import { guideFrame } from '../../../tools/index.ts';

interface CarriedWithProps {
  readonly guide: string;
  readonly carrier: string | null;
  /** What lies in the guide's px, with how many canvas px each of them is: what keeps its size on the screen is drawn by that. */
  readonly children: (scale: number) => ReactNode;
}

/**
 * What lies on a guide: where a rider carries that, it goes with the rider. Moved in the frame, not by React. `--upright` undoes within it how the rider
 * turns, mirrors and stretches, for what is to be read or to stay round (canvas.css).
 */
export function CarriedWith({ guide, carrier, children }: CarriedWithProps) {
  return carrier === null ? children(1) : <CarriedGroup guide={guide}>{children}</CarriedGroup>;
}

/** Share by which a carrier grows before what keeps its size on the screen is drawn anew. */
const GROWN = 0.05;

function CarriedGroup({ guide, children }: Omit<CarriedWithProps, 'carrier'>) {
  const group = useRef<SVGGElement>(null);
  const [scale, setScale] = useState(1);
  const upright = useRef('');
  useFrame(({ scene, poses }) => {
    const one = guideById(scene, guide);
    const frame = one && guideFrame(scene, poses, one);
    if (!frame) return;
    const [e, f] = frame.toCanvas([0, 0]);
    const [[a, b], [c, d]] = [frame.wayToCanvas([1, 0]), frame.wayToCanvas([0, 1])];
    group.current?.setAttribute('transform', `matrix(${[a, b, c, d, e, f].map((one) => one.toFixed(4)).join(' ')})`);
    const back = [frame.wayToGuide([frame.scale, 0]), frame.wayToGuide([0, frame.scale])].flat();
    const undone = `matrix(${back.map((one) => one.toFixed(3)).join(', ')}, 0, 0)`;
    if (undone !== upright.current) group.current?.style.setProperty('--upright', (upright.current = undone));
    if (Math.abs(frame.scale / scale - 1) > GROWN) setScale(frame.scale);
  });
  return (
    <g ref={group} className="carried">
      {children(scale)}
    </g>
  );
}
