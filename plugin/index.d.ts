import type { Plugin } from 'vite';

/** Options of a format, as `pace-line export --help` lists them. */
export type FormatOptions = Readonly<Record<string, string | number | boolean>>;

export interface PaceLineOptions {
  /** Options of what is imported in each way; an import’s own (`?module&background=true`) stand over them. */
  readonly module?: FormatOptions;
  readonly react?: FormatOptions;
  readonly svg?: FormatOptions;
  readonly url?: FormatOptions;
  readonly css?: FormatOptions;
  readonly frames?: FormatOptions;
  /** A file of types, from the root of the project, that is written with the riders and marks of every scene that is imported. Absent: none; then `@pace-line/vite/client` has the types that all have in common. */
  readonly types?: string;
}

/** Imports of scene files, for Vite 6 and later. */
export default function paceLine(options?: PaceLineOptions): Plugin;

/** Where every rider is at each frame: what `?frames` imports. */
export interface Frames {
  readonly format: 'pace-line/frames';
  readonly version: number;
  readonly name: string;
  readonly canvas: { readonly width: number; readonly height: number };
  readonly fps: number;
  readonly length: number;
  /** Names, by what code calls the riders. */
  readonly riders: Readonly<Record<string, string>>;
  readonly frames: readonly {
    readonly frame: number;
    readonly time: number;
    readonly riders: Readonly<Record<string, Readonly<Record<string, number>>>>;
  }[];
}
