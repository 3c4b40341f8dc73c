import { prepare, type Scene, type SeamFinding } from '@pace-line/core';
import type { Figure } from '../figure.ts';
import { seamFigures, seamOf } from '../seam.ts';
import { kept, shape } from '../shapes.ts';
import type { CanvasNow } from './now.ts';

/** Where the selected rider's loop does not close: a line from where it ends to where it starts, with the steps in numbers. As it was last let go. */
export const seam: Figure<CanvasNow> = {
  id: 'seam-layer',
  of: ({ committed, selection, view }) => [committed, selection.riders[0], view.zoom],
  draw({ committed, selection, view: { zoom } }) {
    const finding = seamOf(committed, selection.riders[0] ?? '');
    if (!finding || finding.closes || finding.hidden) return null;
    const [[x0, y0], [x1, y1]] = endsOf(committed, finding);
    const d = `M${x0} ${y0}L${x1} ${y1}`;
    const words = seamFigures(finding)
      .filter(({ shows }) => shows)
      .map(({ name, text }) => `${name} ${text}`)
      .join(' · ');
    return {
      parts: [
        shape('path', { class: 'seam-casing', d }),
        shape('path', { class: 'seam-line', d }),
        shape('rect', {
          class: 'seam-end',
          x: x0 - 4 / zoom,
          y: y0 - 4 / zoom,
          width: 8 / zoom,
          height: 8 / zoom,
        }),
        shape(
          'text',
          {
            class: 'seam-words',
            transform: `translate(${(x0 + x1) / 2} ${(y0 + y1) / 2}) scale(${1 / zoom})`,
            y: -8,
          },
          words,
        ),
      ],
    };
  },
};

type Place = readonly [x: number, y: number];

/** Where the rider is at the loop's end, and at its start. */
const endsOf = kept((scene: Scene, { rider }: SeamFinding): readonly [Place, Place] => {
  const motion = prepare(scene);
  const i = motion.indexOf(rider);
  const [end, start] = [motion.poseAt(motion.length, undefined, -1), motion.poseAt(0)];
  return [
    [end.of(i, 'x'), end.of(i, 'y')],
    [start.of(i, 'x'), start.of(i, 'y')],
  ];
});
