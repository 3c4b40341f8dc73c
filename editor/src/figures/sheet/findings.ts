import { xOfTime, type Axes, type Told } from '@pace-line/core';
import type { Figure } from '../figure.ts';
import { kept, shape, type Part } from '../shapes.ts';
import type { SheetNow } from './now.ts';

/** px: how high a band is that is not looked at, and how wide one is at least. */
const [LOW, LEAST] = [5, 3];

/** Bands that are drawn: more can hardly be told apart. */
const MOST = 200;

/** What is wrong with riders of the route. */
const ofRoute = ({ wrong, riders }: SheetNow): readonly Told[] => {
  const ids = new Set(riders.map(({ id }) => id));
  return wrong.filter((one) => one.riders.some((id) => ids.has(id)));
};

/** When something is wrong with riders of the route: a low band under the ruler for each time, and over the whole height, with its sign, for what is looked at. */
export const findings: Figure<SheetNow> = {
  id: 'findings',
  of: ({ wrong, riders, finding, axes }) => [wrong, riders, finding, axes],
  draw(now) {
    const { axes, finding } = now;
    const found = ofRoute(now);
    if (found.length === 0) return null;
    return { parts: [...bandsOf(found, axes), ...(finding ? lookedAt(finding, axes) : [])] };
  },
};

function between(axes: Axes, [from, to]: readonly [number, number]): readonly [x: number, width: number] | undefined {
  const [left, right] = [Math.max(axes.left, xOfTime(axes, from)), Math.min(axes.right, xOfTime(axes, to))];
  if (right < axes.left || left > axes.right) return undefined;
  return [left, Math.max(LEAST, right - left)];
}

const bandsOf = kept((found: readonly Told[], axes: Axes): readonly Part[] =>
  found
    .flatMap(({ spans }) => spans)
    .slice(0, MOST)
    .flatMap((span, i) => {
      const at = between(axes, span);
      return at
        ? [
            shape('rect', {
              ...{ key: `low ${i}`, class: 'finding-band', x: at[0], width: at[1] },
              ...{ y: axes.top - LOW - 1, height: LOW },
            }),
          ]
        : [];
    }),
);

const lookedAt = kept((finding: Told, axes: Axes): readonly Part[] =>
  finding.spans.slice(0, MOST).flatMap((span, i) => {
    const at = between(axes, span);
    if (!at) return [];
    const [x, width] = at;
    return [
      shape('rect', {
        ...{ key: `high ${i}`, class: 'finding-band looked-at', x, width },
        ...{ y: axes.top, height: axes.bottom - axes.top },
      }),
      shape('text', { key: `sign ${i}`, class: 'finding-sign', x: x + width / 2, y: axes.top + 12 }, '!'),
    ];
  }),
);
