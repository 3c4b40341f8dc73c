import {
  CircleError,
  dependenciesOf,
  MOST_DEEP,
  orderOfDependence,
  type Carrier,
  type Rider,
  type Scene,
} from '../../scene/index.ts';
import { refusal, type Refusal } from '../refusal.ts';

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

/** Why riders cannot depend on each other as they do: in a circle, or too deep; undefined where they can. */
export function circleIn({ riders }: Scene): Refusal | undefined {
  const needy = riders.filter((rider) => dependenciesOf(rider).length > 0);
  if (needy.length === 0) return undefined;
  const depths = new Map<string, number>();
  try {
    for (const index of orderOfDependence(riders, ({ id }) => id, dependenciesOf)) {
      const rider = riders[index];
      if (!rider) continue;
      const depth = dependenciesOf(rider).reduce((most, id) => Math.max(most, 1 + (depths.get(id) ?? 0)), 0);
      if (depth > MOST_DEEP) return refusal('carried-in-circle', { name: rider.name });
      depths.set(rider.id, depth);
    }
    return undefined;
  } catch (error) {
    if (error instanceof CircleError) return refusal('carried-in-circle', { name: needy[0]?.name ?? '' });
    throw error;
  }
}
