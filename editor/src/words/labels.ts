import type { Mark, Rider } from '@pace-line/core';

export const seconds = (value: number): string => `${value.toFixed(2)} s`;

/** A mark in a few words, for readers of the screen. */
export function markLabel(rider: Rider, mark: Mark, distance: number): string {
  const rests = mark.dwell > 0 ? `, rests ${seconds(mark.dwell)}` : '';
  return `Mark of ${rider.name} at ${seconds(mark.time)}, ${Math.round(distance)} px along${rests}`;
}
