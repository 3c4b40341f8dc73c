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
  readonly quantize: (rgba: Uint8Array | Uint8ClampedArray, colors: number) => Palette;
  readonly applyPalette: (rgba: Uint8Array | Uint8ClampedArray, palette: Palette, format?: 'rgb565') => Uint8Array;
  readonly GIFEncoder: () => {
    writeFrame(index: Uint8Array, width: number, height: number, frame: Frame): void;
    finish(): void;
    bytes(): Uint8Array;
  };
}

// Bundlers take its module, Node its older form, where all of it is the default.
const whole = library as Partial<GifLibrary> & { readonly default?: Partial<GifLibrary> };
export const gifLibrary = (whole.quantize ? whole : whole.default) as GifLibrary;
