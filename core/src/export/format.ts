import type { z } from '../zod.ts';
import type { Frames, Pixels, Sheets, Take } from '../take/index.ts';
import type { Scene } from '../scene/index.ts';
import type { Feature } from './features.ts';
import type { Run } from './run.ts';
import type { Sink } from './sink.ts';

/** What formats are written from, by the name that they ask for it. */
export interface Sources {
  readonly take: Take;
  readonly frames: Frames;
  readonly sheets: Sheets;
  readonly scene: Scene;
  readonly pixels: Pixels;
}

/** Headings of the list of formats, in order: for pages, for screens, for programs and people. */
export const FORMAT_GROUPS = ['web', 'screens', 'data'] as const;
export type FormatGroup = (typeof FORMAT_GROUPS)[number];

/** One output format. The Send view, the command line and the docs build themselves from the list of these. */
export interface Format<N extends keyof Sources = keyof Sources, O extends z.ZodObject = z.ZodObject> {
  /** What the command line calls it. */
  readonly id: string;
  /** What people call it. */
  readonly name: string;
  /** Where it stands in the list: for pages, or for programs and people. */
  readonly group: FormatGroup;
  /** One sentence: what it is good for. */
  readonly about: string;
  readonly extension: string;
  readonly type: string;
  /** It writes several files that name each other: where they go is a folder. */
  readonly several?: true;
  /** Options with their defaults; `.describe()` words each. */
  readonly options: O;
  readonly needs: N;
  /** Of a take: it plays motion along paths, repetitions that are ahead, and ways there and back, not curves alone. */
  readonly ways?: true;
  /** Of a take: whether places have keys that one animation can hold. */
  readonly joint?: (scene: Scene, options: z.infer<O>) => boolean;
  /** Of pixels: frames a second that it can hold at most. */
  readonly fastest?: number;
  /** What of a scene it can hold; the rest is told before it is written. */
  readonly holds: readonly Feature[];
  /** What else it can hold as its options say. */
  readonly holdsWith?: (options: z.infer<O>) => readonly Feature[];
  /** What is to be known of it whatever the scene, a sentence each. */
  readonly advice?: readonly string[];
  /** What it changes of a scene, or holds otherwise, a sentence each. */
  readonly notes?: (scene: Scene, options: z.infer<O>) => readonly string[];
  /** What puts it into a page, with the names of its files. */
  readonly embed?: (scene: Scene, files: readonly string[], options: z.infer<O>) => string;
  /** Same source and options, same bytes. */
  write(source: Sources[N], options: z.infer<O>, sink: Sink, run: Run): Promise<void>;
}
