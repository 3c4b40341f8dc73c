/** Whether the focus was moved by keyboard last, or by the pointer. */
let byKeyboard = true;

/** Begins to watch by what the focus moves; `onPress` is told of each press of a pointer. Gives what ends it. */
export function watchReach(onPress: () => void): () => void {
  const onKey = (event: KeyboardEvent): void => {
    if (event.key === 'Tab') byKeyboard = true;
  };
  const onPointer = (): void => {
    byKeyboard = false;
    onPress();
  };
  window.addEventListener('keydown', onKey, true);
  window.addEventListener('pointerdown', onPointer, true);
  return () => {
    window.removeEventListener('keydown', onKey, true);
    window.removeEventListener('pointerdown', onPointer, true);
  };
}

/** Whether a key was pressed on a button or link that was come to by keyboard. */
export const isReached = (target: EventTarget | null): boolean =>
  byKeyboard && target instanceof HTMLElement && target.closest('button, a, [role="button"]') !== null;
