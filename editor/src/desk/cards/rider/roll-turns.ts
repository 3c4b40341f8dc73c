import {
  guideById,
  matrixAbout,
  POSE,
  prepare,
  setRider,
  transformGuides,
  type Matrix,
  type Rider,
  type Scene,
} from '@pace-line/core';

/** How often a rolling rider turns in its cycle, whole and part turns; undefined where it does not roll. */
export function turnsOf(scene: Scene, id: string): number | undefined {
  const moving = prepare(scene).rider(id);
  if (!moving?.radius) return undefined;
  const { delay, cycle } = moving.folding;
  const angle = (time: number, side: 1 | -1): number => moving.poseAt(time, side)[POSE.angle] ?? 0;
  return (angle(delay + cycle, -1) - angle(delay, 1)) / (2 * Math.PI);
}

/** Share of a turn by which it may miss a whole one and still count as closing. */
const CLOSES = 1e-4;

/** The radius, nearest to the present one, with which it turns a whole number of times; undefined where it does so, or never will. */
export function closingRadius(
  scene: Scene,
  rider: Rider,
  radius: number,
): { readonly radius: number; readonly turns: number } | undefined {
  const turnsWith = (next: number): number =>
    turnsOf(
      setRider(scene, { id: rider.id, patch: { roll: rider.roll && { ...rider.roll, radius: next } } }),
      rider.id,
    ) ?? 0;
  const now = turnsWith(radius);
  if (Math.abs(now - Math.round(now)) < CLOSES) return undefined;
  // Turns are a constant and a part that goes with one over the radius: two looks tell both.
  const other = turnsWith(radius * 2);
  const part = 2 * (now - other);
  const constant = now - part;
  const found = [Math.floor(now), Math.ceil(now)].flatMap((turns) => {
    const share = turns - constant;
    const made = share === 0 ? NaN : (part * radius) / share;
    return made > 0.1 && Number.isFinite(made) ? [{ radius: made, turns: Math.abs(turns) }] : [];
  });
  return found.sort((a, b) => Math.abs(Math.log(a.radius / radius)) - Math.abs(Math.log(b.radius / radius)))[0];
}

/** By how much the guide has to be longer for a whole number of turns, the nearest to one: a factor; undefined where it closes, or cannot be scaled. */
export function closingLength(
  scene: Scene,
  rider: Rider,
): { readonly factor: number; readonly matrix: Matrix; readonly turns: number } | undefined {
  const guide = guideById(scene, rider.guide);
  const now = turnsOf(scene, rider.id);
  if (!guide || now === undefined || Math.abs(now - Math.round(now)) < CLOSES) return undefined;
  const xs = guide.nodes.map(({ x }) => x);
  const ys = guide.nodes.map(({ y }) => y);
  const middle = [(Math.min(...xs) + Math.max(...xs)) / 2, (Math.min(...ys) + Math.max(...ys)) / 2] as const;
  const scaled = (factor: number) => ({ ids: [guide.id], matrix: matrixAbout(middle, factor, factor, 0) });
  if (transformGuides.can(scene, scaled(1))) return undefined;
  // Turns grow with the length, beside what bends add: two looks tell both.
  const slope = (turnsOf(transformGuides(scene, scaled(2)), rider.id) ?? now) - now;
  if (Math.abs(slope) < CLOSES) return undefined;
  const found = [Math.floor(now), Math.ceil(now)].flatMap((turns) => {
    const factor = 1 + (turns - now) / slope;
    return factor > 0.1 ? [{ factor, matrix: scaled(factor).matrix, turns: Math.abs(turns) }] : [];
  });
  return found.sort((a, b) => Math.abs(Math.log(a.factor)) - Math.abs(Math.log(b.factor)))[0];
}
