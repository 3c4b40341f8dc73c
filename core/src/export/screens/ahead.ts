/** Things made one after the other, each begun while the one before it is being finished elsewhere. */
export async function* oneAhead<T>(count: number, begin: (i: number) => Promise<T>): AsyncGenerator<T> {
  let next = count > 0 ? begin(0) : undefined;
  for (let i = 1; next; i++) {
    const current = next;
    next = i < count ? begin(i) : undefined;
    // Where the one before it fails, nobody waits for it.
    next?.catch(() => undefined);
    yield await current;
  }
}
