import type { Figure } from '../figure.ts';
import { group, shape } from '../shapes.ts';
import type { CanvasNow } from './now.ts';

/** Half the width of the cross, px of the screen. */
const ARM = 11;

const CROSS = `M${-ARM} 0H-3M3 0H${ARM}M0 ${-ARM}V-3M0 3V${ARM}`;

/** Where arrows have brought the cursor of a drawing tool. */
export const cursor: Figure<CanvasNow> = {
  id: 'cursor',
  of: ({ cursor: at, view }) => [at, view.zoom],
  draw: ({ cursor: at, view }) =>
    at && {
      parts: [
        group({ key: 'cursor', transform: `translate(${at[0]} ${at[1]}) scale(${1 / view.zoom})` }, [
          shape('path', { key: 'casing', class: 'cursor-casing', d: CROSS }),
          shape('path', { key: 'line', class: 'cursor-line', d: CROSS }),
        ]),
      ],
    },
};
