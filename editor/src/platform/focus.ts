/** Gives the keyboard to what has just come, unless a dialog was opened meanwhile and has it. */
export function giveFocus(to: HTMLElement | SVGElement | null | undefined): void {
  const dialog = document.activeElement?.closest('[role=dialog]');
  if (dialog == null || dialog.contains(to ?? null)) to?.focus({ preventScroll: true });
}
