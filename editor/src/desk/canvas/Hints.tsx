import { create } from 'zustand';
import type { Hint } from '../../tools/index.ts';
import { useDeskView } from '../view.ts';
import { cssMatrix } from './view-transform.ts';

const useHints = create<{ readonly hints: readonly Hint[] }>()(() => ({ hints: [] }));

/** Shows what a point was drawn to; nothing but the hints is rendered again. */
export function showHints(hints: readonly Hint[]): void {
  if (hints.length > 0 || useHints.getState().hints.length > 0) useHints.setState({ hints });
}

/** What a point was drawn to: a small diamond with a word, or a dotted line. */
export function Hints() {
  const hints = useHints((state) => state.hints);
  const view = useDeskView((state) => state.view);
  const k = 1 / view.zoom;
  return (
    <svg className="overlay hints" aria-hidden>
      <g transform={cssMatrix(view)}>
        {hints.map((hint, i) =>
          hint.kind === 'line' ? (
            <g key={i}>
              <line className="hint-line" x1={hint.x0} y1={hint.y0} x2={hint.x1} y2={hint.y1} />
              <g transform={`translate(${(hint.x0 + hint.x1) / 2} ${(hint.y0 + hint.y1) / 2}) scale(${k})`}>
                <text className="hint-word" x={8} y={-6}>
                  {hint.word}
                </text>
              </g>
            </g>
          ) : (
            <g key={i} transform={`translate(${hint.x} ${hint.y}) scale(${k})`}>
              <path className="hint-mark" d="M0 -7L7 0L0 7L-7 0Z" />
              <text className="hint-word" x={11} y={-9}>
                {hint.word}
              </text>
            </g>
          ),
        )}
      </g>
    </svg>
  );
}
