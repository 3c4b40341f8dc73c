export { ChecksCard } from './ChecksCard.tsx';
export { GuideCard } from './GuideCard.tsx';
export { HeadingCard } from './HeadingCard.tsx';
export { PaceCard } from './PaceCard.tsx';
export { RiderCard } from './RiderCard.tsx';
export { TyingWatch } from './keys/TyingWatch.tsx';
