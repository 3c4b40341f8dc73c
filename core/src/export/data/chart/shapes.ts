/** What a sheet is drawn of, px, y down: the same for every kind of file that holds one. */
export type Shape =
  | {
      readonly kind: 'line';
      /** Unbroken stretches of points. */
      readonly pieces: readonly (readonly (readonly [x: number, y: number])[])[];
      readonly color: string;
      readonly width: number;
      readonly dash?: readonly number[];
    }
  | {
      readonly kind: 'ring';
      readonly x: number;
      readonly y: number;
      readonly radius: number;
      readonly fill: string;
      readonly color: string;
      readonly width: number;
    }
  | { readonly kind: 'paper'; readonly color: string }
  | {
      readonly kind: 'words';
      readonly x: number;
      readonly y: number;
      readonly text: string;
      readonly size: number;
      readonly at: 'start' | 'middle' | 'end';
      readonly color: string;
      readonly bold?: boolean;
    };

/** A drawing of a size, px. */
export interface SheetDrawing {
  readonly title: string;
  readonly width: number;
  readonly height: number;
  readonly shapes: readonly Shape[];
}
