import type { Guide } from '@pace-line/core';

/** A node of a guide that is still being plotted. */
export type DraftNode = Pick<Guide['nodes'][number], 'x' | 'y' | 'in' | 'out' | 'join'>;

export type Preview =
  | {
      readonly kind: 'plot';
      readonly nodes: readonly DraftNode[];
      readonly next: readonly [number, number] | null;
      readonly closes: boolean;
    }
  | { readonly kind: 'box'; readonly x0: number; readonly y0: number; readonly x1: number; readonly y1: number }
  | {
      readonly kind: 'stroke';
      readonly points: readonly (readonly [number, number])[];
      readonly note?: string | undefined;
    }
  | { readonly kind: 'outline'; readonly nodes: readonly DraftNode[]; readonly closed: boolean }
  | {
      readonly kind: 'measure';
      readonly from: readonly [number, number];
      readonly to: readonly [number, number];
      /** Words beside the pointer, a line each. */
      readonly lines: readonly string[];
      /** A piece of a guide that was measured along. */
      readonly along: readonly (readonly [number, number])[];
    };
