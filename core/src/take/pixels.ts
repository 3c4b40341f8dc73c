import { leadInOf, loopLength, type Scene } from '../scene/index.ts';

/** A piece of a frame, px from its top left. */
export interface PixelRect {
  readonly x: number;
  readonly y: number;
  readonly width: number;
  readonly height: number;
}

/** Where frames lie on a sheet, px. */
export interface SheetLayout {
  readonly width: number;
  readonly height: number;
  /** Of frames that follow each other: which is the first, and where each lies. */
  readonly first: number;
  readonly places: readonly { readonly x: number; readonly y: number }[];
}

/** How a film is encoded. */
export interface FilmCoding {
  /** AV1 holds no transparency. */
  readonly codec: 'vp9' | 'av1';
  /** Of each frame, 0 to 1. */
  readonly quality: number;
  /** Bits a second instead; 0: as many as the quality takes. */
  readonly rate: number;
}

/** A scene by frames as pixels. Whoever has a canvas makes it; formats only ask for one frame after the other. */
export interface Pixels {
  readonly name: string;
  /** px of what is written. */
  readonly width: number;
  readonly height: number;
  readonly count: number;
  /** Seconds of all frames together. */
  readonly length: number;
  /** How often it is played; null: for ever. */
  readonly times: number | null;
  /** Nothing is painted behind the drawing. */
  readonly isClear: boolean;
  /** A frame's red, green, blue and alpha, row by row. */
  rgba(frame: number): Promise<Uint8ClampedArray>;
  /** The smallest piece in which a frame differs from the one that was asked about before; the whole where that is not the one before it, a single px where nothing does. */
  changed(frame: number): Promise<PixelRect>;
  /** A piece of a frame, or all of it, as a file of one picture; `quality` 0 to 1 where the type loses. */
  picture(frame: number, type: 'image/png' | 'image/webp', quality: number, rect?: PixelRect): Promise<Uint8Array>;
  /** Frames on one sheet, as a PNG. */
  sheet(layout: SheetLayout): Promise<Uint8Array>;
  /** All frames as a film. */
  film(how: FilmCoding, onProgress: (share: number) => void): Promise<Uint8Array>;
}

/** What of a scene is to be painted. */
export interface PixelOptions {
  /** px of what is written for each px of the canvas. */
  readonly scale: number;
  /** Frames a second; 0: the scene's. */
  readonly fps: number;
  readonly background: boolean;
  /** s of the loop from and to which it is painted; `from` below 0: of the lead-in; `to` 0: the loop's end. */
  readonly from: number;
  readonly to: number;
  /** Frames a second at most: none is shown for less than one over that. Absent: as many as are asked for. */
  readonly most?: number | undefined;
}

/** Share of a frame by which a length may miss a whole number of them. */
const WHOLE = 1e-9;

/** The stretch of a scene that is painted, s: of its loop, and of the lead-in before it. */
function paintedSpan(scene: Scene, { from, to }: PixelOptions): readonly [start: number, end: number] {
  const length = loopLength(scene.clock);
  return [Math.max(-leadInOf(scene), Math.min(from, length)), to > 0 ? Math.min(to, length) : length];
}

/** The frames, s, that are painted of a scene, and how long each is shown, s: what loops does not repeat its first at its end, what plays once ends with the last moment that is painted. */
export function frameTimes(
  scene: Scene,
  options: PixelOptions,
): { readonly times: readonly number[]; readonly lasts: number } {
  const [start, end] = paintedSpan(scene, options);
  const lasts = Math.max(0, end - start);
  const wanted = Math.round(lasts * (options.fps > 0 ? options.fps : scene.clock.fps));
  const most = options.most === undefined ? wanted : Math.floor(lasts * options.most + WHOLE);
  const steps = Math.max(1, Math.min(wanted, most));
  const count = scene.clock.repeat === 'once' && lasts > 0 ? steps + 1 : steps;
  return { times: Array.from({ length: count }, (_, i) => start + (i * lasts) / steps), lasts: lasts / steps };
}

/** Whole units of time for each of so many frames that together last as long as they should: spread evenly. */
export function evenDelays(count: number, length: number, perSecond: number): readonly number[] {
  const at = (i: number): number => Math.round((i * length * perSecond) / count);
  return Array.from({ length: count }, (_, i) => at(i + 1) - at(i));
}
