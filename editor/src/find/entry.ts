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
  /** How much it counts beside the others: what does something comes before what tells of it. Absent: 1. */
  readonly weight?: number;
  /** Its key, where it has one. */
  readonly keys?: string;
  /** Does it, or goes there; says why it cannot. */
  readonly run: () => void;
}
