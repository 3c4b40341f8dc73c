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
