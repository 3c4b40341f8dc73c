import { dependenciesOf, type Scene } from '../scene/index.ts';

/**
 * What was found, without what is wrong with riders only because it is with those that carry them, or that they hang between. `wrongOf` tells how wrong a finding is, 0 not at
 * all: one that is more wrong than what it depends on is told.
 */
export function withoutFollowers<F extends { readonly rider: string }>(
  scene: Scene,
  found: readonly F[],
  wrongOf: (finding: F) => number,
): F[] {
  const wrong = new Map(found.map((finding) => [finding.rider, wrongOf(finding)]));
  const riders = new Map(scene.riders.map((rider) => [rider.id, rider]));
  const worstAbove = (id: string): number => {
    const rider = riders.get(id);
    if (!rider) return 0;
    return dependenciesOf(rider).reduce((worst, one) => Math.max(worst, wrong.get(one) ?? 0, worstAbove(one)), 0);
  };
  return found.filter((finding) => {
    const own = wrongOf(finding);
    return own === 0 || own > worstAbove(finding.rider);
  });
}
