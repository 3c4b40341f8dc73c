/** Exit codes of what a signal ends: 128 and its number. */
const SIGNALS = { SIGINT: 130, SIGTERM: 143, SIGHUP: 129 } as const;
type Signal = keyof typeof SIGNALS;
const NAMES = Object.keys(SIGNALS) as Signal[];

/** What is to be put away before the program ends. */
const pending = new Set<() => void>();

function end(signal: Signal): never {
  pending.forEach((putAway) => putAway());
  process.exit(SIGNALS[signal]);
}

/**
 * From now on a signal puts this away before it ends the program; gives what ends that. While there is nothing to put away a signal ends the program at once, as
 * is usual: who listens to signals hears none before the work that is under way gives way.
 */
export function onInterrupt(putAway: () => void): () => void {
  if (pending.size === 0) NAMES.forEach((name) => process.on(name, end));
  pending.add(putAway);
  return () => {
    if (!pending.delete(putAway)) return;
    // A signal that came meanwhile is heard first.
    setImmediate(() => {
      if (pending.size === 0) NAMES.forEach((name) => process.off(name, end));
    });
  };
}
