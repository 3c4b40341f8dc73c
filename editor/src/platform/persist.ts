let asked: Promise<boolean> | undefined;

/** Asks the browser, once, not to clear what is kept when its disk is full; false where it does not promise that. */
export function askToPersist(): Promise<boolean> {
  asked ??=
    typeof navigator.storage?.persist === 'function'
      ? navigator.storage.persist().catch(() => false)
      : Promise.resolve(false);
  return asked;
}
