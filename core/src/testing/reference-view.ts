import type { Scene } from '../scene/index.ts';
import { referencePose } from './reference.ts';

/** One thing that is drawn, by its id. */
export interface ReferenceDrawn {
  readonly kind: 'rider' | 'stroke';
  readonly id: string;
}

/**
 * What is drawn at a time, from the back to the front, as the scene file's text has it: every thing has the number of a place in the list of riders, strokes come first in it, then who is behind its rider, then
 * that rider; and all is sorted. It shares no line with the real one.
 */
export function referenceOrder(scene: Scene, time: number): ReferenceDrawn[] {
  const places = new Map(scene.riders.map((rider, i) => [rider.id, i]));
  const ridden = scene.riders.map((rider) => rider.guide);
  const things: { place: number; rank: number; number: number; drawn: ReferenceDrawn }[] = [];
  scene.guides.forEach((guide, number) => {
    if (!guide.stroke) return;
    const first = ridden.indexOf(guide.id);
    const any = ridden.findIndex((one) => one !== null);
    const over = guide.carrier === null ? undefined : (places.get(guide.carrier) ?? -1) + 1;
    const place = first >= 0 ? first : (over ?? (any >= 0 ? any : scene.riders.length));
    things.push({ place, rank: 0, number, drawn: { kind: 'stroke', id: guide.id } });
  });
  scene.riders.forEach((rider, number) => {
    const under = referencePose(scene, rider, time).under;
    const front = under === 0 ? undefined : rider.behind[under - 1]?.rider;
    const place = front === undefined ? number : (places.get(front) ?? number);
    things.push({ place, rank: front === undefined ? 2 : 1, number, drawn: { kind: 'rider', id: rider.id } });
  });
  things.sort((a, b) => a.place - b.place || a.rank - b.rank || a.number - b.number);
  return things.map(({ drawn }) => drawn);
}

/** Where a point of the canvas is shown through the camera at a time, step by step: moved, turned back, made larger, moved to the middle. */
export function referenceSeen(
  scene: Scene,
  time: number,
  parallax: number,
  [px, py]: readonly [number, number],
): readonly [number, number] {
  const camera = scene.riders.find(({ id }) => id === scene.camera);
  if (!camera) return [px, py];
  const { x, y, matrix } = referencePose(scene, camera, time);
  const middle = [scene.canvas.width / 2, scene.canvas.height / 2] as const;
  const place = [middle[0] + parallax * (x - middle[0]), middle[1] + parallax * (y - middle[1])] as const;
  // What is turned shows in where the art's right goes; mirrored, it is the other way round.
  const mirrored = camera.scale[0] < 0;
  const turn = Math.atan2(mirrored ? -matrix[1] : matrix[1], mirrored ? -matrix[0] : matrix[0]);
  const [dx, dy] = [px - place[0], py - place[1]];
  const back = [dx * Math.cos(turn) + dy * Math.sin(turn), -dx * Math.sin(turn) + dy * Math.cos(turn)] as const;
  const held = (size: number): number => Math.max(size, 0.001);
  return [
    middle[0] + back[0] / held(Math.hypot(matrix[0], matrix[1])),
    middle[1] + back[1] / held(Math.hypot(matrix[2], matrix[3])),
  ];
}
