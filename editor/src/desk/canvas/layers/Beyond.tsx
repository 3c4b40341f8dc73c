import { memo } from 'react';
import type { Scene } from '@pace-line/core';
import { useDeskView } from '../../view.ts';
import { cssMatrix } from '../view-transform.ts';

/** What lies beyond the canvas, dimmed, and the canvas's edge. */
export const Beyond = memo(function Beyond({ canvas }: { canvas: Scene['canvas'] }) {
  const view = useDeskView((state) => state.view);
  const { width, height } = canvas;
  return (
    <svg className="overlay frame" aria-hidden>
      <g transform={cssMatrix(view)}>
        <path
          className="beyond"
          d={`M-99999 -99999H99999V99999H-99999ZM0 0V${height}H${width}V0Z`}
          fillRule="evenodd"
        />
        <rect className="canvas-edge" width={width} height={height} />
      </g>
    </svg>
  );
});
