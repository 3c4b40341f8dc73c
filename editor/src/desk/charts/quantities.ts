import type { Measure } from '@pace-line/core';

/** What charts can show of a rider. */
export interface QuantityWords {
  readonly name: string;
  readonly unit: string;
  readonly of: (measure: Measure) => number;
}

export const QUANTITIES = {
  speed: { name: 'speed', unit: 'px/s', of: ({ speed }: Measure) => speed },
  acceleration: { name: 'acceleration', unit: 'px/s²', of: ({ acceleration }: Measure) => acceleration },
  turn: { name: 'turn rate', unit: '°/s', of: ({ turn }: Measure) => (turn * 180) / Math.PI },
} as const satisfies Readonly<Record<string, QuantityWords>>;
export type Quantity = keyof typeof QUANTITIES;

export type Across = 'time' | 'distance';
export const ACROSS: readonly (readonly [Across, string])[] = [
  ['time', 'time'],
  ['distance', 'distance'],
];
