import type { Carrier, Rider, Scene } from '../../scene/index.ts';

/** How a rider is carried unless it is said otherwise: it takes over all. */
export const carriedBy = (rider: string): Carrier => ({ rider, turn: true, scale: true, mirror: true });

/** Riders on guides carried as their guides are. The same scene where they are. */
export function withCarriers(scene: Scene): Scene {
  const isPlain = ({ guide, carrier }: Rider): boolean => carrier === null || guide === null;
  if (scene.guides.every((guide) => guide.carrier === null) && scene.riders.every(isPlain)) return scene;
  const carriers = new Map(scene.guides.map((guide) => [guide.id, guide.carrier]));
  const wanted = ({ guide }: Rider): string | null | undefined => (guide === null ? undefined : carriers.get(guide));
  const isRight = (rider: Rider): boolean => {
    const carrier = wanted(rider);
    return carrier === undefined || carrier === (rider.carrier?.rider ?? null);
  };
  if (scene.riders.every(isRight)) return scene;
  return {
    ...scene,
    riders: scene.riders.map((rider) => {
      if (isRight(rider)) return rider;
      const carrier = wanted(rider) ?? null;
      return {
        ...rider,
        carrier: carrier === null ? null : rider.carrier ? { ...rider.carrier, rider: carrier } : carriedBy(carrier),
      };
    }),
  };
}
