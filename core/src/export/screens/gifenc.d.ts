/** What is used of gifenc, which has no types of its own. */
declare module 'gifenc' {
  export type Palette = number[][];
  type Rgba = Uint8Array | Uint8ClampedArray;
  export function quantize(rgba: Rgba, colors: number): Palette;
  export function applyPalette(rgba: Rgba, palette: Palette, format?: 'rgb565'): Uint8Array;
  interface Frame {
    readonly palette?: Palette;
    readonly repeat?: number;
    /** ms. */
    readonly delay: number;
    readonly transparent: boolean;
    readonly transparentIndex: number;
    readonly dispose: number;
  }
  interface Encoder {
    writeFrame(index: Uint8Array, width: number, height: number, frame: Frame): void;
    finish(): void;
    bytes(): Uint8Array;
  }
  export function GIFEncoder(): Encoder;
}
