import type { CardName } from '../view.ts';
import type { CardGroup } from './groups/group.ts';
import { GUIDE_GROUPS } from './guide/groups.tsx';
import { HEADING_GROUPS } from './heading/groups.tsx';
import { PACE_GROUPS } from './pace/groups.tsx';
import { RIDER_GROUPS } from './rider/groups.tsx';
import { SCENE_GROUPS } from './scene/groups.tsx';

/** All that cards can have, by card: each list takes what its own card is about. */
export const CARD_GROUPS: readonly { readonly card: CardName; readonly groups: readonly CardGroup<never>[] }[] = [
  { card: 'scene', groups: SCENE_GROUPS },
  { card: 'guide', groups: GUIDE_GROUPS },
  { card: 'rider', groups: RIDER_GROUPS },
  { card: 'heading', groups: HEADING_GROUPS },
  { card: 'pace', groups: PACE_GROUPS },
];

export { ChecksCard } from './ChecksCard.tsx';
export { GuideCard } from './GuideCard.tsx';
export { HeadingCard } from './HeadingCard.tsx';
export { PaceCard } from './PaceCard.tsx';
export { RiderCard } from './RiderCard.tsx';
export { SceneCard } from './SceneCard.tsx';
export { TyingWatch } from './keys/TyingWatch.tsx';
