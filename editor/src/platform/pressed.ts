let held = 0;
const waiting = new Set<() => void>();

const count = (by: 1 | -1) => (): void => {
  held = Math.max(0, held + by);
  if (held > 0) return;
  const all = [...waiting];
  waiting.clear();
  for (const one of all) one();
};

if (typeof window !== 'undefined') {
  window.addEventListener('pointerdown', count(1), true);
  for (const end of ['pointerup', 'pointercancel']) window.addEventListener(end, count(-1), true);
  // A pointer that was let go elsewhere is not held.
  window.addEventListener('blur', () => {
    held = 0;
    count(-1)();
  });
}

/** Calls as soon as no pointer is pressed: at once where none is. What a hand does is not held up by what was found meanwhile. Gives what calls it off. */
export function whenReleased(call: () => void): () => void {
  if (held === 0) call();
  else waiting.add(call);
  return () => waiting.delete(call);
}
