/** ms between frames, smoothed, from which on they are said to come late, and below which they are not any more: of screens with 60 a second. */
const LATE = 18.4;
const IN_TIME = 17.3;
/** ms from which on they come so late that what moves is painted roughly, until they come in time again. */
const FAR_BEHIND = 21;
const SMOOTHING = 0.1;
/** Frames in a row beyond a limit from which on it counts: one that is very late is not enough. */
const IN_A_ROW = 15;
/** The same where something is tried against it: until then the smoothed time is what frames take. */
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
  #isLate = false;
  /** Frames in a row beyond each limit. */
  #late = 0;
  #behind = 0;
  readonly #rough = new Remedy();
  readonly #flat = new Remedy();
  readonly #canBeFlat: boolean;

  /** `canBeFlat`: whether layers of one's own may be what makes frames late here. */
  constructor(canBeFlat = false) {
    this.#canBeFlat = canBeFlat;
  }

  /** Whether frames come late: then what stands beside the canvas leaves some of them to it. */
  get isLate(): boolean {
    return this.#isLate;
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
    this.#late = this.#between > LATE ? this.#late + 1 : 0;
    this.#behind = this.#between > FAR_BEHIND ? this.#behind + 1 : 0;
    if (this.#late >= IN_A_ROW) this.#isLate = true;
    if (this.#between < IN_TIME) {
      this.#isLate = false;
      this.#rough.end();
    }
    const isFar = this.#behind >= SETTLED;
    if (this.#canBeFlat) this.#flat.note(this.#between, isFar && !this.#rough.isTried);
    this.#rough.note(this.#between, isFar && !this.#flat.isTried);
  }
}
