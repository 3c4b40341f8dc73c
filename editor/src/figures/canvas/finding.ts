import type { Told, Vec } from '@pace-line/core';
import type { Figure } from '../figure.ts';
import { group, shape, type Part } from '../shapes.ts';
import type { CanvasNow } from './now.ts';

/** s from its time within which a finding is drawn where it was found. */
const BESIDE = 0.02;

/** What is drawn of a finding: where its ring and its words stand, and, at its time, what overlaps or the gap. */
interface Drawn {
  readonly at: Vec;
  readonly words: string;
  readonly holds: boolean;
  /** What is drawn at its place; null at another time than its own. */
  readonly there: Told | null;
}

const isAtItsTime = ({ at }: Told, { frame }: CanvasNow): boolean => Math.abs(frame.time - (at ?? 0)) < BESIDE;

const middleOf = ([[x0, y0], [x1, y1]]: NonNullable<Told['place']>): Vec => [(x0 + x1) / 2, (y0 + y1) / 2];

/** What is looked at, while its scene stands, at its time; and while a hand makes another of it, what its check says of that. */
function drawnIn(now: CanvasNow): Drawn | undefined {
  const { finding, committed, scene, followed } = now;
  const one = finding?.scene === committed ? finding.finding : undefined;
  if (!one?.place) return undefined;
  if (scene === committed)
    return isAtItsTime(one, now) ? { at: middleOf(one.place), words: one.words, holds: false, there: one } : undefined;
  if (followed?.finding !== one) return undefined;
  const { found } = followed;
  const at = middleOf(found?.place ?? one.place);
  return found
    ? { at, words: found.words, holds: false, there: isAtItsTime(found, now) ? found : null }
    : { at, words: '✓', holds: true, there: null };
}

/** Whether it lies in the right half of the pane: its words stand at its left then. */
const isAtRight = (at: Vec, { view, pane }: CanvasNow): boolean => at[0] * view.zoom + view.x > pane.width / 2;

/** A finding at its place: what overlaps as a hatched patch, a gap as a measured line, with its figure. */
export const finding: Figure<CanvasNow> = {
  id: 'finding',
  of(now) {
    const drawn = drawnIn(now);
    return [drawn?.there, drawn?.words, drawn?.at[0], drawn?.at[1], now.view.zoom, drawn && isAtRight(drawn.at, now)];
  },
  draw(now) {
    const drawn = drawnIn(now);
    if (!drawn) return null;
    const k = 1 / now.view.zoom;
    const { at, words, holds, there } = drawn;
    const side = isAtRight(at, now) ? -1 : 1;
    return {
      parts: [
        hatching(k),
        ...(there ? lying(there) : []),
        group({ transform: `translate(${at[0]} ${at[1]}) scale(${k})` }, [
          shape('circle', { class: `finding-ring ${holds ? 'holds' : ''}`, r: 22 }),
          shape(
            'text',
            {
              ...{ class: `finding-word ${holds ? 'holds' : ''}`, x: 28 * side, y: -14 },
              'text-anchor': side < 0 ? 'end' : 'start',
            },
            words,
          ),
        ]),
      ],
    };
  },
};

/** What overlaps, and the gap. */
function lying({ place, patch = [] }: Told): readonly Part[] {
  const [[x0, y0], [x1, y1]] = place ?? [
    [0, 0],
    [0, 0],
  ];
  return [
    ...patch.map((ring) =>
      shape('path', { class: 'finding-patch', fill: 'url(#finding-hatching)', d: ringData(ring) }),
    ),
    ...(place ? [shape('line', { class: 'finding-gap', x1: x0, y1: y0, x2: x1, y2: y1 })] : []),
  ];
}

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
