// Imported only where the browser refuses its own database.
import * as memory from 'fake-indexeddb';

/** From now on this tab has a database in memory, like the browser's own. */
export function standInMemory(): void {
  for (const [name, value] of Object.entries(memory))
    if (name !== 'default') Object.defineProperty(globalThis, name, { value, configurable: true, writable: true });
}
