/** ms. How long a tab that takes a scene over waits for the other to keep its last edit: one that sleeps does not answer. */
const PATIENCE = 5000;

/** What tabs say to each other of a scene. */
interface Word {
  readonly id: string;
  readonly says: 'hand it over' | 'it is kept';
}

const open = (): BroadcastChannel | undefined =>
  typeof BroadcastChannel === 'undefined' ? undefined : new BroadcastChannel('pace-line-handover');

/**
 * Answers tabs that take the scene over: `keep` keeps what is not kept yet, or is undefined where the scene is not held here (the tab that asks hears itself).
 * Gives what ends it.
 */
export function answerHandover(id: string, keep: () => Promise<void> | undefined): () => void {
  const channel = open();
  const onMessage = ({ data }: MessageEvent<Word>): void => {
    if (data.id !== id || data.says !== 'hand it over') return;
    void keep()
      ?.catch(() => undefined)
      .then(() => channel?.postMessage({ id, says: 'it is kept' } satisfies Word));
  };
  channel?.addEventListener('message', onMessage);
  return () => channel?.close();
}

/** Asks the tab that has the scene to keep its last edit; waits until it has, or for as long as one is patient. */
export function askHandover(id: string, patience = PATIENCE): Promise<void> {
  const channel = open();
  return new Promise<void>((resolve) => {
    const timer = setTimeout(resolve, channel ? patience : 0);
    channel?.addEventListener('message', ({ data }: MessageEvent<Word>) => {
      if (data.id !== id || data.says !== 'it is kept') return;
      clearTimeout(timer);
      resolve();
    });
    channel?.postMessage({ id, says: 'hand it over' } satisfies Word);
  }).finally(() => channel?.close());
}
