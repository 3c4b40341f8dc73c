/** Something that can be asked for by name. */
export interface FindEntry {
  readonly id: string;
  readonly title: string;
  /** What it does, in a sentence. */
  readonly about: string;
  /** Where it stands. */
  readonly where: string;
  /** What else people call it. */
  readonly also: string;
  /** Its key, where it has one. */
  readonly keys?: string;
  /** Does it, or goes there; says why it cannot. */
  readonly run: () => void;
}
