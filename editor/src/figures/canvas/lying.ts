import type { Guide } from '@pace-line/core';
import { guideFrame } from '../../tools/index.ts';
import { group, type Part } from '../shapes.ts';
import type { CanvasNow } from './now.ts';

type Lying = Pick<Guide, 'id' | 'carrier'>;

/**
 * What lies on a guide, drawn in the guide’s px: where a rider carries that, it goes with the rider. `draw` is told how many canvas px each of them is, for
 * what keeps its size on the screen. `--upright` undoes within it how the rider turns, mirrors and stretches, for what is to be read or to stay round
 * (canvas.css).
 */
export function lyingOn(
  { scene, frame: { poses } }: CanvasNow,
  guide: Lying,
  key: string,
  draw: (scale: number) => readonly Part[],
): Part {
  if (guide.carrier === null) return group({ key }, draw(1));
  const one = scene.guides.find(({ id }) => id === guide.id);
  const frame = one && guideFrame(scene, poses, one);
  if (!frame) return null;
  const numbers = (list: readonly number[], digits: number): string =>
    list.map((one) => one.toFixed(digits)).join(', ');
  const to = [frame.wayToCanvas([1, 0]), frame.wayToCanvas([0, 1]), frame.toCanvas([0, 0])].flat();
  const back = [frame.wayToGuide([frame.scale, 0]), frame.wayToGuide([0, frame.scale])].flat();
  return group(
    {
      key,
      class: 'carried',
      transform: `matrix(${numbers(to, 4)})`,
      style: `--upright: matrix(${numbers(back, 3)}, 0, 0)`,
    },
    draw(frame.scale),
  );
}

/** What is drawn of a guide depends on this too: what is carried is somewhere else in each frame. */
export const placeOf = ({ frame }: CanvasNow, guide: Lying | undefined): unknown =>
  guide && guide.carrier !== null ? frame : null;
