import { memo, useMemo } from 'react';
import { prepare } from '@pace-line/core';
import { useCalmState } from '../../../document/index.ts';
import { seamFigures } from '../../seam/figures.ts';
import { useSeam } from '../../seam/use-seam.ts';
import { useDeskView } from '../../view.ts';
import { cssMatrix } from '../view-transform.ts';

/** Where the selected rider's loop does not close: a line from where it ends to where it starts, with the steps in numbers. */
export const SeamLayer = memo(function SeamLayer() {
  const id = useCalmState((state) => state.selection.riders[0]);
  const seam = useSeam(id);
  const scene = useCalmState((state) => state.committed);
  const view = useDeskView((state) => state.view);
  const ends = useMemo(() => {
    if (!seam || seam.closes || seam.hidden) return undefined;
    const motion = prepare(scene);
    const i = motion.indexOf(seam.rider);
    const [end, start] = [motion.poseAt(motion.length, undefined, -1), motion.poseAt(0)];
    return { from: [end.of(i, 'x'), end.of(i, 'y')] as const, to: [start.of(i, 'x'), start.of(i, 'y')] as const };
  }, [scene, seam]);
  if (!seam || !ends) return null;
  const { from, to } = ends;
  const words = seamFigures(seam)
    .filter(({ shows }) => shows)
    .map(({ name, text }) => `${name} ${text}`)
    .join(' · ');
  const z = view.zoom;
  return (
    <svg className="overlay seam-layer" aria-hidden>
      <g transform={cssMatrix(view)}>
        <path className="seam-casing" d={`M${from[0]} ${from[1]}L${to[0]} ${to[1]}`} />
        <path className="seam-line" d={`M${from[0]} ${from[1]}L${to[0]} ${to[1]}`} />
        <rect className="seam-end" x={from[0] - 4 / z} y={from[1] - 4 / z} width={8 / z} height={8 / z} />
        <text
          className="seam-words"
          transform={`translate(${(from[0] + to[0]) / 2} ${(from[1] + to[1]) / 2}) scale(${1 / z})`}
          y={-8}
        >
          {words}
        </text>
      </g>
    </svg>
  );
});
