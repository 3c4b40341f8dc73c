import { prepare, Poses, type Motion, type Scene } from '@pace-line/core';
import type { FrameLoop } from './frame-loop.ts';

/**
 * What is drawn in one frame: the scene as it is shown, the time of the loop, s, and every rider's pose then, evaluated once for all that draw. In the lead-in the time is 0, and `before`
 * how long before that the poses are, s, below 0.
 */
export interface Frame {
  readonly time: number;
  readonly before: number;
  readonly scene: Scene;
  readonly motion: Motion;
  readonly poses: Poses;
}

/** s before a loop's end at which its end is shown: at the end itself it is at its start again. */
const BEFORE_END = 1e-9;

/** What runs a scene instead of its clock: asked in every frame, with the seconds since the last, for the time that is shown, s, and whether it goes on. */
export type Drive = (seconds: number) => { readonly time: number; readonly moves: boolean };

export type FrameListener = (frame: Frame) => void;

/** The running clock of a scene. Frames go straight to what draws them, never through React. */
export class Playback {
  #time = 0;
  /** s before the loop, below 0, while the lead-in plays. */
  #leading = 0;
  #length: number;
  #playing = false;
  #speed = 1;
  #holds = 0;
  #last: number | undefined;
  #once = false;
  #poses = new Poses(0);
  readonly #loop: FrameLoop;
  readonly #shown: () => Scene;
  /** What runs it instead of the clock. */
  #driver: Drive | null = null;
  #before: { readonly playing: boolean; readonly speed: number } | undefined;
  readonly #listeners = new Set<FrameListener>();
  readonly #changes = new Set<() => void>();

  /** `shown` gives the scene as it is shown. */
  constructor(loop: FrameLoop, shown: () => Scene) {
    this.#loop = loop;
    this.#shown = shown;
    this.#length = prepare(shown()).length;
    loop.onAdvance(this.#advance);
    loop.onDraw(this.#draw);
  }

  get time(): number {
    return this.#time;
  }
  get isPlaying(): boolean {
    return this.#playing;
  }
  /** Whether edges of what moves can do without smoothing: while it plays and frames come far too late. */
  get isRough(): boolean {
    return this.#playing && this.#holds === 0 && this.#loop.lateness.isFarBehind;
  }
  /** Whether what is drawn does better without layers of its own. */
  get isFlat(): boolean {
    return this.#loop.lateness.isFlat;
  }
  get speed(): number {
    return this.#speed;
  }
  /** Whether time stands where it is meant to: it neither plays nor is carried by a hand. */
  get isAtRest(): boolean {
    return !this.#playing && this.#holds === 0;
  }

  /** Sets the loop's length, s, and whether it stops at its end. */
  setLoop(length: number, once: boolean): void {
    this.#length = length;
    this.#once = once;
    if (this.#time >= length) this.seek(length);
  }

  onFrame(listener: FrameListener): () => void {
    this.#listeners.add(listener);
    this.invalidate();
    return () => this.#listeners.delete(listener);
  }

  /** Told when playing, speed or holding changes. */
  onChange(listener: () => void): () => void {
    this.#changes.add(listener);
    return () => this.#changes.delete(listener);
  }

  play(): void {
    if (this.#once && this.#time >= this.#length) this.seek(0);
    this.#playing = true;
    this.#last = undefined;
    this.#tell();
  }

  /** Plays the lead-in, and the loop after it; where there is none, the loop from its start. */
  enter(): void {
    this.seek(0);
    this.#leading = -prepare(this.#shown()).leadIn;
    this.play();
  }

  pause(): void {
    this.#playing = false;
    this.#tell();
  }

  toggle(): void {
    if (this.#playing) this.pause();
    else this.play();
  }

  /** Lets something else than the clock run it; null: the clock again, from where it is. */
  drive(by: Drive | null): void {
    this.#driver = by;
    this.#leading = 0;
    this.#last = undefined;
    if (by) this.pause();
    this.invalidate();
  }

  setSpeed(speed: number): void {
    this.#speed = speed;
    this.#tell();
  }

  /** Goes to a time, held within the loop. Its end is a time of its own: what is there just before it starts anew. */
  seek(time: number): void {
    this.#leading = 0;
    const end = this.#once ? this.#length : this.#length - BEFORE_END;
    this.#time = Math.min(Math.max(time, 0), Math.max(end, 0));
    this.invalidate();
  }

  /** Goes to a time where it stands still; while it plays nothing happens. */
  goTo(time: number | undefined): void {
    if (time !== undefined && !this.#playing) this.seek(time);
  }

  /** Plays from a time at a speed until `endRun`, whatever was set before. */
  run(time: number, speed: number): void {
    this.#before ??= { playing: this.#playing, speed: this.#speed };
    this.#speed = speed;
    this.seek(time);
    this.play();
  }

  /** Goes on as before `run`. */
  endRun(): void {
    const before = this.#before;
    this.#before = undefined;
    if (!before) return;
    this.#speed = before.speed;
    if (before.playing) this.#tell();
    else this.pause();
  }

  /** Stops at the frame before or after; wraps at the ends. */
  step(frames: number, fps: number): void {
    this.pause();
    const count = Math.max(1, Math.round(this.#length * fps));
    const frame = Math.round((this.#time / this.#length) * count) + frames;
    this.seek(((((frame % count) + count) % count) / count) * this.#length);
  }

  /** Holds the time still while something that moves is grabbed; each hold needs its release. */
  hold(): void {
    this.#holds++;
  }

  release(): void {
    this.#holds = Math.max(0, this.#holds - 1);
    this.#last = undefined;
    this.invalidate();
  }

  /** Asks for a frame to be drawn. */
  invalidate(): void {
    this.#loop.request();
  }

  readonly #advance = (now: number): void => {
    if (this.#driver) return this.#driven(this.#driver, now);
    if (this.#playing && this.#holds === 0) {
      if (this.#last !== undefined) this.#moveOn(((now - this.#last) / 1000) * this.#speed);
      this.#last = now;
    } else this.#last = undefined;
    if (this.#playing && this.#listeners.size > 0) this.invalidate();
  };

  #driven(by: Drive, now: number): void {
    const seconds = this.#last === undefined ? 0 : ((now - this.#last) / 1000) * this.#speed;
    const { time, moves } = by(seconds);
    this.#time = time === this.#length ? time : time % this.#length;
    this.#last = moves ? now : undefined;
    if (moves) this.invalidate();
  }

  readonly #draw = (): void => {
    if (this.#listeners.size === 0) return;
    const scene = this.#shown();
    const motion = prepare(scene);
    if (this.#poses.count !== motion.riders.length) this.#poses = new Poses(motion.riders.length);
    motion.poseAt(this.#leading < 0 ? this.#leading : this.#time, this.#poses);
    const frame: Frame = { time: this.#time, before: this.#leading, scene, motion, poses: this.#poses };
    for (const listener of this.#listeners) listener(frame);
  };

  /** The poses last drawn. */
  get poses(): Poses {
    const motion = prepare(this.#shown());
    return this.#poses.count === motion.riders.length ? this.#poses : motion.poseAt(this.#time);
  }

  #moveOn(seconds: number): void {
    const next = this.#leading + this.#time + seconds;
    this.#leading = Math.min(0, next);
    if (next < 0) return;
    if (this.#once && next >= this.#length) {
      this.#time = this.#length;
      this.pause();
    } else this.#time = next % this.#length;
  }

  #tell(): void {
    for (const listener of this.#changes) listener();
    this.invalidate();
  }
}
