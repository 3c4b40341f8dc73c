/** A drawing read from a file: ready to be art, with what was left out. */
export interface ReadArt {
  readonly markup: string;
  readonly width: number;
  readonly height: number;
  readonly notices: readonly string[];
}
