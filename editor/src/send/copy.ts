import { tell } from '../look/notices.tsx';

/** Puts a text on the clipboard, and says so. */
export async function copyText(text: string, what: string): Promise<void> {
  try {
    await navigator.clipboard.writeText(text);
    tell(`${what} was copied.`);
  } catch {
    tell('The browser did not allow copying; save it instead.');
  }
}
