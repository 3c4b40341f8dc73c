import type { Desk } from '../../desk.ts';

/** What a file that was dropped or pasted meets on the Desk. */
export interface Meets {
  /** The Art drawer is open: what comes becomes art, or part of the scene. */
  readonly isArtOpen: boolean;
}

/** One kind of file that the Desk takes in. What reads it is loaded when the first such file comes. */
export interface FileKind {
  /** What it is called where a file is none of all. */
  readonly name: string;
  readonly accepts: (file: File, meets: Meets) => boolean | Promise<boolean>;
  /** Takes it into the scene, and says itself what is wrong with it; the id of another scene where one is to be opened instead. */
  readonly take: (file: File, desk: Desk) => Promise<string | void>;
}
