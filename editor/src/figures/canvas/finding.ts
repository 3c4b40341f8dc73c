import type { Told } from '@pace-line/core';
import type { Figure } from '../figure.ts';
import { group, shape, type Part } from '../shapes.ts';
import type { CanvasNow } from './now.ts';

/** s from its time within which a finding is drawn where it was found. */
const BESIDE = 0.02;

/** What is looked at now: while its scene stands, at its time. */
function lookedAt({ finding, committed, scene, frame }: CanvasNow): Told | undefined {
  const one = finding?.scene === committed && scene === committed ? finding.finding : undefined;
  return one?.place && Math.abs(frame.time - (one.at ?? 0)) < BESIDE ? one : undefined;
}

/** Whether it lies in the right half of the pane: its words stand at its left then. */
function isAtRight(now: CanvasNow): boolean {
  const [[x]] = lookedAt(now)?.place ?? [[0, 0]];
  return x * now.view.zoom + now.view.x > now.pane.width / 2;
}

/** A finding at its place: what overlaps as a hatched patch, a gap as a measured line, with its figure. */
export const finding: Figure<CanvasNow> = {
  id: 'finding',
  of: (now) => [lookedAt(now), now.view.zoom, isAtRight(now)],
  draw(now) {
    const one = lookedAt(now);
    if (!one?.place) return null;
    const k = 1 / now.view.zoom;
    const [[x0, y0], [x1, y1]] = one.place;
    return {
      parts: [
        hatching(k),
        ...(one.patch ?? []).map((ring) =>
          shape('path', { class: 'finding-patch', fill: 'url(#finding-hatching)', d: ringData(ring) }),
        ),
        shape('line', { class: 'finding-gap', x1: x0, y1: y0, x2: x1, y2: y1 }),
        group({ transform: `translate(${(x0 + x1) / 2} ${(y0 + y1) / 2}) scale(${k})` }, [
          shape('circle', { class: 'finding-ring', r: 22 }),
          isAtRight(now)
            ? shape('text', { class: 'finding-word', x: -28, y: -14, 'text-anchor': 'end' }, one.words)
            : shape('text', { class: 'finding-word', x: 28, y: -14 }, one.words),
        ]),
      ],
    };
  },
};

const ringData = (ring: readonly number[]): string =>
  `M${ring.map((value, i) => (i % 2 === 0 && i > 0 ? `L${value.toFixed(2)}` : value.toFixed(2))).join(' ')}Z`;

/** Stripes that are as wide at every zoom. */
const hatching = (k: number): Part =>
  shape('defs', {}, [
    shape(
      'pattern',
      {
        ...{ id: 'finding-hatching', width: 6 * k, height: 6 * k, patternUnits: 'userSpaceOnUse' },
        patternTransform: 'rotate(45)',
      },
      [shape('rect', { class: 'finding-stripe', width: 3 * k, height: 6 * k })],
    ),
  ]);
