import { notifications } from '@mantine/notifications';

/** Says something in passing. */
export function tell(message: string, title?: string): void {
  notifications.show({
    message,
    title,
    autoClose: 6000,
    withBorder: true,
    closeButtonProps: { 'aria-label': 'Close this notice' },
  });
}

/** Says what went wrong; stays until it is read. */
export function warn(title: string, message: string): void {
  notifications.show({
    title,
    message,
    color: 'red',
    autoClose: 15_000,
    withBorder: true,
    closeButtonProps: { 'aria-label': 'Close this notice' },
  });
}

/** Says what was taken away, with a button that brings it back. */
export function offerUndo(title: string, restore: () => Promise<void>): void {
  const note = notifications.show({
    title,
    withBorder: true,
    autoClose: 12_000,
    closeButtonProps: { 'aria-label': 'Close this notice' },
    message: (
      <button
        type="button"
        className="small-button"
        onClick={() => {
          void restore();
          notifications.hide(note);
        }}
      >
        Undo
      </button>
    ),
  });
}
