import { xOfTime, yOfDistance, type Axes } from '@pace-line/core';
import type { Act, At, When } from '../recipes/acts.ts';
import * as controls from './controls.ts';
import { rowWords } from '../words/rows.ts';
import { ShownPointer } from './pointer.ts';
import { bytesOf, chordOf, focusOn, middleOf, tellOf, under, type Held, type Place } from './told.ts';
import type { Tempo } from './tempo.ts';

/** A step that cannot be done: what is missing, for whoever looks on. */
export class NotFound extends Error {}

/** s until something is worked out at most. */
const WORKED_OUT = 60;

/** s in which something is looked for by its whole name. */
const WHOLE_NAME = 0.6;

/** s after which something is looked for elsewhere. */
const FIRST_LOOK = 1;

/** Does on the page what a person does with a mouse and a keyboard, at a pace that can be followed. */
export class Hand {
  readonly #pointer = new ShownPointer();
  readonly #tempo: Tempo;

  constructor(tempo: Tempo) {
    this.#tempo = tempo;
  }

  remove(): void {
    this.#pointer.remove();
  }

  /** Does one act; throws where what it needs is not there. */
  async do(act: Act): Promise<void> {
    // Each kind is told its own.
    await (this.#kinds[act.do] as (given: Act) => Promise<void>)(act);
    await this.#settle();
  }

  readonly #kinds: { readonly [Kind in Act['do']]: (act: Extract<Act, { do: Kind }>) => Promise<void> } = {
    appears: async ({ name, within }) => {
      if (controls.cardOf(within)) await this.#unfold(within);
      const found = await this.#tempo.until(() => controls.pressed(name, within), WORKED_OUT);
      if (!found) throw new NotFound(`“${name}” is not there`);
    },
    vanishes: async ({ name, within }) => {
      const gone = await this.#tempo.until(() => (controls.pressed(name, within) ? undefined : true), WORKED_OUT);
      if (!gone) throw new NotFound(`“${name}” is still there`);
    },
    press: async ({ name, within }) => {
      // By its whole name, if that appears: what begins so may be a list that is just closing.
      const whole = await this.#tempo.until(() => controls.pressedExactly(name, within), WHOLE_NAME);
      await this.#press(() => whole ?? controls.pressed(name, within), `“${name}”`);
    },
    enter: async ({ label, text }) =>
      this.#type(await this.#find(() => controls.fieldCalled(label), `“${label}”`), text),
    'enter-row': async ({ row, text, nth }) => {
      await this.#unfold(row);
      await this.#type(await this.#find(() => controls.fieldOf(row, nth), `“${rowWords(row).label}”`), text);
    },
    pick: async ({ row, option, nth }) => {
      await this.#unfold(row);
      const { button, list } = await this.#find(
        () => {
          const found = controls.choiceOf(row, option, nth);
          return found.button || found.list ? found : undefined;
        },
        `“${option}” of “${rowWords(row).label}”`,
      );
      if (button) return this.#pressOn(button);
      if (list) await this.#pressOn(list);
      await this.#press(() => controls.optionCalled(option), `“${option}”`);
    },
    choose: async ({ label, option }) => {
      await this.#press(() => controls.fieldCalled(label), `“${label}”`);
      await this.#press(() => controls.optionCalled(option), `“${option}”`);
    },
    keyframe: async ({ row }) => {
      await this.#unfold(row);
      await this.#press(() => controls.keyButtonOf(row), `the key button of “${rowWords(row).label}”`);
    },
    add: async ({ card, group }) => {
      await this.#unfold(card);
      await this.#press(() => controls.addButtonOf(card), `“Add…” of the ${card} card`);
      await this.#press(() => controls.optionCalled(group), `“${group}”`);
    },
    keys: ({ keys }) => this.#key(keys),
    canvas: async ({ way, twice, held }) => this.#onCanvas(way, twice === true, held),
    sheet: ({ way }) => this.#onSheet(way),
    playhead: ({ time }) => this.#playhead(time),
    paste: ({ text }) => {
      const clipboardData = new DataTransfer();
      clipboardData.setData('text/plain', text);
      const paste = new ClipboardEvent('paste', { clipboardData, bubbles: true, cancelable: true });
      (document.querySelector('.canvas-surface') ?? document.body).dispatchEvent(paste);
      return Promise.resolve();
    },
    drop: ({ file, type, text }) => {
      const dataTransfer = new DataTransfer();
      const given = text();
      const bytes = given.startsWith('data:') ? bytesOf(given) : given;
      dataTransfer.items.add(new File([bytes], file, { type }));
      window.dispatchEvent(new DragEvent('drop', { dataTransfer, bubbles: true, cancelable: true }));
      return Promise.resolve();
    },
    'drag-in': ({ name, to }) => this.#dragIn(name, to),
    watch: async ({ seconds }) => {
      const play = controls.pressedExactly('Play');
      if (play) await this.#pressOn(play);
      await this.#tempo.wait(seconds);
    },
  };

  /** Brings a card, or the one with a row, into sight, and opens it where cards are folded to their heads. */
  async #unfold(of: string): Promise<void> {
    const { head, isFolded } = await this.#find(() => controls.cardOf(of.split('.')[0] ?? ''), `the card of ${of}`);
    if (isFolded) await this.#pressOn(head);
  }

  /** What is found as soon as it is there: in a narrow window perhaps on another page. */
  async #find<T>(look: () => T | undefined, what: string): Promise<T> {
    let found = await this.#tempo.until(look, FIRST_LOOK);
    for (const tab of found === undefined ? controls.otherPages() : []) {
      await this.#pressOn(tab);
      found = await this.#tempo.until(look, FIRST_LOOK);
      if (found !== undefined) break;
    }
    found ??= await this.#tempo.until(look);
    if (found === undefined) throw new NotFound(`${what} is not there`);
    return found;
  }

  async #press(look: () => HTMLElement | undefined, what: string): Promise<void> {
    await this.#pressOn(await this.#find(look, what));
  }

  async #pressOn(one: HTMLElement): Promise<void> {
    one.scrollIntoView({ block: 'nearest' });
    await this.#tempo.frame();
    const at = middleOf(one);
    await this.#pointer.go(at, this.#tempo);
    await this.#click(one, at);
  }

  async #click(target: Element, at: Place, held: Held = {}, detail = 1): Promise<void> {
    tellOf(target, 'pointerover', at, 0, held);
    tellOf(target, 'mouseover', at, 0, held);
    tellOf(target, 'pointermove', at, 0, held);
    this.#pointer.press(true);
    tellOf(target, 'pointerdown', at, 1, held, detail);
    if (tellOf(target, 'mousedown', at, 1, held, detail)) focusOn(target);
    await this.#tempo.wait(0.08);
    tellOf(target, 'pointerup', at, 0, held, detail);
    tellOf(target, 'mouseup', at, 0, held, detail);
    tellOf(target, 'click', at, 0, held, detail);
    this.#pointer.press(false);
  }

  async #type(field: HTMLElement, text: string): Promise<void> {
    await this.#pressOn(field);
    if (!(field instanceof HTMLInputElement || field instanceof HTMLTextAreaElement)) return;
    field.select();
    const kind = field instanceof HTMLInputElement ? HTMLInputElement : HTMLTextAreaElement;
    for (let i = 1; i <= text.length; i++) {
      // As typed: React hears of values that are set so.
      Reflect.set(kind.prototype, 'value', text.slice(0, i), field);
      field.dispatchEvent(new InputEvent('input', { bubbles: true, data: text[i - 1] ?? '' }));
      if (this.#tempo.speed < 8) await this.#tempo.wait(0.06);
    }
    await this.#key('Enter');
  }

  async #key(chord: string): Promise<void> {
    const target = document.activeElement ?? document.body;
    const init = { ...chordOf(chord), bubbles: true, cancelable: true, composed: true };
    target.dispatchEvent(new KeyboardEvent('keydown', init));
    await this.#tempo.wait(0.06);
    (target.isConnected ? target : document.body).dispatchEvent(new KeyboardEvent('keyup', init));
  }

  /** Presses, goes through all places, and lets go: what was pressed hears all of it. */
  async #drag(way: readonly Place[], held: Held = {}): Promise<void> {
    const [first] = way;
    const last = way.at(-1);
    if (!first || !last) return;
    await this.#pointer.go(first, this.#tempo);
    const target = under(first);
    if (!target) throw new NotFound('nothing is there to be pressed');
    tellOf(target, 'pointermove', first, 0, held);
    await this.#tempo.frame();
    this.#pointer.press(true);
    tellOf(target, 'pointerdown', first, 1, held, 1);
    if (tellOf(target, 'mousedown', first, 1, held, 1)) focusOn(target);
    for (const to of way.slice(1))
      await this.#pointer.go(to, this.#tempo, (x, y) => tellOf(target, 'pointermove', [x, y], 1, held));
    await this.#tempo.wait(0.1);
    tellOf(target, 'pointerup', last, 0, held, 1);
    tellOf(target, 'mouseup', last, 0, held, 1);
    if (way.length === 1) tellOf(target, 'click', last, 0, held, 1);
    this.#pointer.press(false);
  }

  async #onCanvas(way: readonly At[], isTwice: boolean, modifier: 'Shift' | 'Alt' | undefined): Promise<void> {
    const held: Held = modifier === 'Shift' ? { shiftKey: true } : modifier === 'Alt' ? { altKey: true } : {};
    const places = await this.#canvasPlaces(way);
    await this.#drag(places, held);
    if (!isTwice) return;
    await this.#drag(places, held);
    const [at] = places;
    const target = at && under(at);
    if (target) tellOf(target, 'dblclick', at, 0, held, 2);
  }

  /** Where places of the canvas are seen. */
  async #canvasPlaces(way: readonly At[]): Promise<readonly Place[]> {
    const edge = await this.#find(controls.canvasEdge, 'the canvas');
    const { left, top, width, height } = edge.getBoundingClientRect();
    const [x1, y1] = [Number(edge.getAttribute('width')), Number(edge.getAttribute('height'))];
    return way.map(([x, y]) => [left + (x / x1) * width, top + (y / y1) * height]);
  }

  async #sheetPlaces(way: readonly When[]): Promise<readonly Place[]> {
    const sheet = await this.#find(controls.sheet, 'the sheet');
    const { left, top } = sheet.getBoundingClientRect();
    const axes = JSON.parse(sheet.dataset['axes'] ?? 'null') as Axes | null;
    if (!axes) throw new NotFound('the sheet is empty');
    return way.map(([time, distance]) => [left + xOfTime(axes, time), top + yOfDistance(axes, distance)]);
  }

  async #onSheet(way: readonly When[]): Promise<void> {
    await this.#drag(await this.#sheetPlaces(way));
  }

  /** On the ruler where there is one; else by the slider that stands for it. */
  async #playhead(time: number): Promise<void> {
    const pause = controls.pressedExactly('Pause');
    if (pause) await this.#pressOn(pause);
    const { ruler, slider } = await this.#find(controls.timeline, 'the ruler');
    if (ruler) {
      const [place] = await this.#sheetPlaces([[time, 0]]);
      return place && this.#drag([[place[0], middleOf(ruler)[1]]]);
    }
    const box = (slider.closest('.scrub-slider') ?? slider).getBoundingClientRect();
    const length = Number(slider.getAttribute('aria-valuemax'));
    await this.#pointer.go([box.left + (box.width * time) / length, box.top + box.height / 2], this.#tempo);
    slider.focus();
    for (let guard = 0; guard < 600; guard++) {
      const away = time - Number(slider.getAttribute('aria-valuenow'));
      if (Math.abs(away) < 0.02) return;
      const before = slider.getAttribute('aria-valuenow');
      const key = away > 0 ? 'ArrowRight' : 'ArrowLeft';
      slider.dispatchEvent(new KeyboardEvent('keydown', { key, code: key, bubbles: true, cancelable: true }));
      await this.#tempo.until(() => (slider.getAttribute('aria-valuenow') === before ? undefined : true), 1);
    }
  }

  /** Drags something by the browser's own drag and drop. */
  async #dragIn(name: string, to: At): Promise<void> {
    const source = await this.#find(() => controls.draggedCalled(name), `“${name}”`);
    source.scrollIntoView({ block: 'nearest' });
    await this.#pointer.go(middleOf(source), this.#tempo);
    const dataTransfer = new DataTransfer();
    const tell = (target: Element, type: string, [clientX, clientY]: Place): boolean =>
      target.dispatchEvent(new DragEvent(type, { dataTransfer, clientX, clientY, bubbles: true, cancelable: true }));
    this.#pointer.press(true);
    tell(source, 'dragstart', this.#pointer.at);
    const [at = this.#pointer.at] = await this.#canvasPlaces([to]);
    await this.#pointer.go(at, this.#tempo);
    const target = under(at);
    if (!target) throw new NotFound('the canvas is not there');
    tell(target, 'dragover', at);
    await this.#tempo.frame();
    tell(target, 'drop', at);
    tell(source, 'dragend', at);
    this.#pointer.press(false);
  }

  /** Until what was done is rendered. */
  async #settle(): Promise<void> {
    await this.#tempo.frame();
    await this.#tempo.frame();
    await this.#tempo.wait(0.25);
  }
}
