import { checkSeam, SEAM, type Scene, type SeamFinding } from '@pace-line/core';
import { kept } from './shapes.ts';

/** What of a rider is compared between the loop's end and its start. */
export interface SeamFigure {
  readonly name: 'place' | 'speed' | 'heading' | 'size' | 'opacity' | 'poses';
  /** The step, with its unit. */
  readonly text: string;
  /** It can be seen. */
  readonly shows: boolean;
}

const DEGREES = 180 / Math.PI;
const figure = (value: number): string => value.toFixed(Math.abs(value) < 10 ? 1 : 0);

/** The steps of a rider at the seam in numbers, those that show first. */
export function seamFigures(seam: SeamFinding): readonly SeamFigure[] {
  const { gap, turn, fade, growth, skipped, speedBefore, speedAfter, hidden, smooth } = seam;
  const of = (name: SeamFigure['name'], text: string, shows: boolean): SeamFigure => ({
    name,
    text,
    shows: shows && !hidden,
  });
  const all = [
    of('place', `${figure(gap)} px`, gap > SEAM.gap),
    of('speed', `${figure(Math.abs(speedAfter - speedBefore))} px/s`, !smooth),
    of('heading', `${figure(turn * DEGREES)}°`, turn > SEAM.angle),
    of('size', `${figure(growth * 100)} %`, growth > SEAM.fade),
    of('opacity', `${figure(fade * 100)} %`, fade > SEAM.fade),
    ...(skipped > 0 ? [of('poses', String(skipped), true)] : []),
  ];
  return [...all.filter(({ shows }) => shows), ...all.filter(({ shows }) => !shows)];
}

/** How a rider passes the loop's end; undefined where it does not move, or the scene plays once. Of this one alone, and of those that carry it: what else there is need not be looked at. */
export const seamOf = kept((scene: Scene, id: string): SeamFinding | undefined =>
  checkSeam(scene, [id]).find(({ rider }) => rider === id),
);
