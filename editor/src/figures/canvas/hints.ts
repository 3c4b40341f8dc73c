import type { Hint } from '../../tools/index.ts';
import type { Figure } from '../figure.ts';
import { group, shape, type Part } from '../shapes.ts';
import type { CanvasNow } from './now.ts';

/** What a point was drawn to: a small diamond with a word, or a dotted line. */
export const hints: Figure<CanvasNow> = {
  id: 'hints',
  of: ({ hints: list, view }) => [list, view.zoom],
  draw: ({ hints: list, view }) => ({ parts: list.map((one) => hint(one, 1 / view.zoom)) }),
};

const word = (text: string, x: number, y: number): Part => shape('text', { class: 'hint-word', x, y }, text);

const hint = (one: Hint, k: number): Part =>
  one.kind === 'line'
    ? group({}, [
        shape('line', { class: 'hint-line', x1: one.x0, y1: one.y0, x2: one.x1, y2: one.y1 }),
        group({ transform: `translate(${(one.x0 + one.x1) / 2} ${(one.y0 + one.y1) / 2}) scale(${k})` }, [
          word(one.word, 8, -6),
        ]),
      ])
    : group({ transform: `translate(${one.x} ${one.y}) scale(${k})` }, [
        shape('path', { class: 'hint-mark', d: 'M0 -7L7 0L0 7L-7 0Z' }),
        word(one.word, 11, -9),
      ]);
