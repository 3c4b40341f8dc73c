import { notifications } from '@mantine/notifications';
import { plainDirection } from '../words/plain.ts';
import { reasonOf } from '../words/reasons.ts';

/** Says something in passing. What is said already is not said again beside itself. */
export function tell(message: string, title?: string): void {
  notifications.show({
    id: `${title ?? ''}-${message}`.replace(/\W+/g, '-'),
    message: plainDirection(message),
    title: title && plainDirection(title),
    autoClose: 6000,
    withBorder: true,
    closeButtonProps: { 'aria-label': 'Close this notice' },
  });
}

/** Says what went wrong; stays until it is read. */
export function warn(title: string, message: string): void {
  notifications.show({
    title: plainDirection(title),
    message: plainDirection(message),
    color: 'red',
    autoClose: 15_000,
    withBorder: true,
    closeButtonProps: { 'aria-label': 'Close this notice' },
  });
}

/** Says that a file or a pasted thing was not imported, and why. */
export const warnUntaken = (name: string, why: string): void =>
  warn(`${name} was not imported`, `Reason: ${reasonOf(new Error(why))}. Nothing was changed.`);

/** Says what was taken away, with a button that brings it back. */
export const offerUndo = (title: string, restore: () => Promise<void>): void => offer(title, 'Undo', restore, 12_000);

/** Says something, with a button that acts on it; stays for so many ms, or until it is closed. */
export function offer(title: string, action: string, act: () => Promise<void>, stays: number | false): void {
  const note = notifications.show({
    title: plainDirection(title),
    withBorder: true,
    autoClose: stays,
    closeButtonProps: { 'aria-label': 'Close this notice' },
    message: (
      <button
        type="button"
        className="small-button"
        onClick={() => {
          void act();
          notifications.hide(note);
        }}
      >
        {action}
      </button>
    ),
  });
}
