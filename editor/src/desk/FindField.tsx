import { IconSearch } from '@tabler/icons-react';
import { lazy, Suspense, useEffect, useState } from 'react';

const load = () => import('./find/FindAnything.tsx');
const FindAnything = lazy(async () => ({ default: (await load()).FindAnything }));

/** The field in the top bar that asks for anything by its name; Ctrl K does the same. */
export function FindField() {
  const [isWanted, setWanted] = useState(false);
  const open = (): void => {
    setWanted(true);
    // It may have to be loaded, and then to be mounted.
    void load().then(({ openFind }) => requestAnimationFrame(() => requestAnimationFrame(openFind)));
  };
  useEffect(() => {
    const onKeyDown = (event: KeyboardEvent): void => {
      if (!(event.ctrlKey || event.metaKey) || event.shiftKey || event.altKey || event.key.toLowerCase() !== 'k')
        return;
      event.preventDefault();
      event.stopImmediatePropagation();
      open();
    };
    window.addEventListener('keydown', onKeyDown, true);
    return () => window.removeEventListener('keydown', onKeyDown, true);
  }, []);
  return (
    <>
      <button type="button" className="find-field" aria-keyshortcuts="Control+K" onClick={open}>
        <IconSearch size={15} aria-hidden />
        <span className="find-words">Find anything</span>
        <span className="find-key" aria-hidden>
          Ctrl K
        </span>
      </button>
      <Suspense>{isWanted && <FindAnything />}</Suspense>
    </>
  );
}
