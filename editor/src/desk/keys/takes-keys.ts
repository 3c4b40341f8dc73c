/** What takes keys for itself: fields, lists, menus, dialogs, sliders, the divider and handles of lists. */
const TAKERS =
  'input, textarea, select, [contenteditable], [role="listbox"], [role="menu"], [role="dialog"], [role="slider"], [role="separator"], .drag-handle';

/** Whether a key that was pressed on an element is that element's, not the Desk's. */
export const takesKeys = (target: EventTarget | null): boolean =>
  target instanceof Element && target.closest(TAKERS) !== null;
