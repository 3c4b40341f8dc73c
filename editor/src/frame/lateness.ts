/** ms between frames, smoothed, below which they come in time: of screens with 60 a second. */
const IN_TIME = 17.3;
/** ms from which on they come so late that what moves is painted roughly, until they come in time again. */
const FAR_BEHIND = 21;
const SMOOTHING = 0.1;
/** Frames in a row beyond that from which on something is tried against it: one that is very late is not enough. */
const SETTLED = 30;

/** ms. After a longer pause the loop has slept: that is no late frame. */
const ASLEEP = 250;

/** Frames after which a remedy has shown what it gains, and the share of the time before that it must come below. */
const TRIAL = 45;
const GAIN = 0.99;
/** Frames until it is tried again where it gained nothing, as on a screen that shows 30 a second and no more. */
const UNTRIED = 600;

/** Something that may bring frames sooner: it is tried, and ends where it does not. */
class Remedy {
  #isOn = false;
  /** ms between frames when it began, and frames since. */
  #before = 0;
  #since = 0;
  /** Frames for which it is left alone. */
  #left = 0;

  get isOn(): boolean {
    return this.#isOn;
  }

  /** Whether it may still show what it gains. */
  get isTried(): boolean {
    return this.#isOn && this.#since < TRIAL;
  }

  /** A frame: ms between the last ones, and whether it is time to try. */
  note(between: number, isTime: boolean): void {
    if (this.#left > 0) this.#left--;
    if (!this.#isOn) {
      if (!isTime || this.#left > 0) return;
      this.#isOn = true;
      this.#before = between;
      this.#since = 0;
    } else if (++this.#since === TRIAL && between > GAIN * this.#before) {
      this.#isOn = false;
      this.#left = UNTRIED;
    }
  }

  end(): void {
    this.#isOn = false;
  }
}

/** How late frames come, by the time between them. */
export class Lateness {
  /** ms between frames, smoothed. */
  #between = 0;
  /** Frames in a row that were far behind. */
  #behind = 0;
  readonly #rough = new Remedy();
  readonly #flat = new Remedy();
  readonly #canBeFlat: boolean;

  /** `canBeFlat`: whether layers of one's own may be what makes frames late here. */
  constructor(canBeFlat = false) {
    this.#canBeFlat = canBeFlat;
  }

  /** Whether they come so late that painting roughly is the lesser evil, and sooner for it. */
  get isFarBehind(): boolean {
    return this.#rough.isOn;
  }

  /** Whether they came sooner without layers of one's own; it stays so. */
  get isFlat(): boolean {
    return this.#flat.isOn;
  }

  /** Notes how long it is since the last frame, ms. */
  note(took: number): void {
    if (took > ASLEEP) return;
    this.#between += (took - this.#between) * SMOOTHING;
    this.#behind = this.#between > FAR_BEHIND ? this.#behind + 1 : 0;
    if (this.#between < IN_TIME) this.#rough.end();
    const isFar = this.#behind >= SETTLED;
    if (this.#canBeFlat) this.#flat.note(this.#between, isFar && !this.#rough.isTried);
    this.#rough.note(this.#between, isFar && !this.#flat.isTried);
  }
}
