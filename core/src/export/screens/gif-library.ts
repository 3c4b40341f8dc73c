// @ts-expect-error -- It has no types of its own.
import * as library from 'gifenc';

/** Colours, each of red, green and blue. */
export type Palette = number[][];

interface Frame {
  readonly palette?: Palette;
  readonly repeat?: number;
  /** ms. */
  readonly delay: number;
  readonly transparent: boolean;
  readonly transparentIndex: number;
  readonly dispose: number;
}

/** What is used of gifenc. */
interface GifLibrary {
  readonly GIFEncoder: () => {
    writeFrame(index: Uint8Array, width: number, height: number, frame: Frame): void;
    finish(): void;
    bytes(): Uint8Array;
    /** What there is so far, not copied. */
    bytesView(): Uint8Array;
  };
}

// Bundlers take its module, Node its older form, where all of it is the default.
const whole = library as Partial<GifLibrary> & { readonly default?: Partial<GifLibrary> };
export const gifLibrary = (whole.GIFEncoder ? whole : whole.default) as GifLibrary;
