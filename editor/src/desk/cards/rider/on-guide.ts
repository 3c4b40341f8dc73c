import type { Rider } from '@pace-line/core';

/** Whether a rider's pivot is on its guide, keyframes apart. */
export const isOnGuide = ({ lift, lead, shift }: Rider): boolean =>
  lift === 0 && lead === 0 && shift[0] === 0 && shift[1] === 0;
