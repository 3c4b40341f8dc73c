import { giveFocus } from '../../platform/focus.ts';
import { useDeskView, type CardName } from '../view.ts';

/** Cards by the digit that leads to them, with Shift. */
const CARDS: Readonly<Record<string, CardName>> = {
  Digit0: 'scene',
  Digit1: 'guide',
  Digit2: 'rider',
  Digit3: 'heading',
  Digit4: 'pace',
  Digit5: 'checks',
};

const focus = (selector: string): boolean => {
  const found = document.querySelector<HTMLElement | SVGElement>(selector);
  giveFocus(found);
  return found !== null;
};

/** After what was just shown stands there. */
const later = (act: () => void): void => void requestAnimationFrame(() => requestAnimationFrame(act));

/** Brings the keyboard to the canvas. */
export function goToCanvas(): void {
  useDeskView.getState().set({ page: 'canvas' });
  later(() => focus('.canvas-surface'));
}

/** Brings the keyboard to the sheet: to its marks where it has any. */
export function goToSheet(): void {
  useDeskView.getState().set({ page: 'sheet' });
  later(() => focus('.sheet [data-part][tabindex="0"]') || focus('.play-button'));
}

/** The card that Shift and a digit lead to, whatever the keyboard has on that digit; undefined where none. */
export const cardOfKey = ({ code, shiftKey }: KeyboardEvent): CardName | undefined =>
  shiftKey ? CARDS[code] : undefined;

/** Brings the keyboard to a card: to its first field. */
export function goToCard(card: CardName): void {
  useDeskView.getState().set({ openCard: card, cardsShown: true, page: 'cards' });
  const of = `[data-card="${card}"]`;
  later(() => focus(`${of} .row-value :is(input, button):not(:disabled)`) || focus(`${of} .card-head`));
}
