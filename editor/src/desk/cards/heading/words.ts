import type { Heading, Rider } from '@pace-line/core';

const MODES: Readonly<Record<Heading['mode'], string>> = {
  level: 'level',
  along: 'along the guide',
  contacts: 'on two contacts',
  toward: 'toward',
};

/** Which way a rider faces, in a few words. */
export function summaryOfHeading({ heading, roll, guide }: Rider): string {
  if (roll && guide !== null) return 'rolls';
  const more = [
    heading.smooth > 0 && heading.mode !== 'toward' ? 'smoothed' : '',
    heading.left === 'mirror' ? 'mirrored' : '',
    heading.limit === null ? '' : `≤ ${Math.round(heading.limit)}°/s`,
  ].filter(Boolean);
  return [MODES[heading.mode], ...more].join(' · ');
}
