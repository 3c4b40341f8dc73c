import localforage from 'localforage';
import { z } from '@pace-line/core';

/** A thing kept in this browser under a name. */
export interface Kept<T> {
  readonly id: string;
  readonly name: string;
  readonly thing: T;
}

const listeners = new Set<() => void>();

/** Told when anything of the collection has changed. */
export function onCollectionChange(listener: () => void): () => void {
  listeners.add(listener);
  return () => listeners.delete(listener);
}

export const announce = (): void => listeners.forEach((listener) => listener());

/** What is kept of one kind of thing: a store of its own in the browser; `key` is what the thing is called there. */
export class KeptStore<T> {
  readonly #store: LocalForage;
  readonly #key: string;
  readonly #schema: z.ZodType<{ name: string } & Record<string, unknown>>;

  constructor(storeName: string, key: string, thing: z.ZodType<T>) {
    this.#store = localforage.createInstance({ name: 'pace-line', storeName });
    this.#key = key;
    this.#schema = z.object({ name: z.string(), [key]: thing }) as never;
  }

  /** All of it, by name. What no longer reads is passed over, not deleted. */
  async list(): Promise<Kept<T>[]> {
    const found: Kept<T>[] = [];
    await this.#store.iterate<unknown, void>((value, id) => {
      const one = this.#schema.safeParse(value);
      if (one.success) found.push({ id, name: one.data.name, thing: one.data[this.#key] as T });
    });
    return found.sort((a, b) => a.name.localeCompare(b.name));
  }

  /** Keeps a thing under a new id; nobody is told yet. */
  async put(name: string, thing: T): Promise<void> {
    const id = `${Date.now().toString(36)}-${Math.random().toString(36).slice(2, 10)}`;
    await this.#store.setItem(id, { name, [this.#key]: thing });
  }

  async rename(id: string, name: string): Promise<void> {
    const value = await this.#store.getItem<Record<string, unknown>>(id);
    if (value) await this.#store.setItem(id, { ...value, name });
    announce();
  }

  /** Takes a thing out; gives back what puts it there again. */
  async remove(id: string): Promise<() => Promise<void>> {
    const value = await this.#store.getItem(id);
    await this.#store.removeItem(id);
    announce();
    return async () => {
      await this.#store.setItem(id, value);
      announce();
    };
  }
}
