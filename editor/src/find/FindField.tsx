import { IconSearch } from '@tabler/icons-react';
import { lazy, Suspense, useEffect, useRef, useState, type ComponentType } from 'react';
import './find-field.css';

interface FindFieldProps {
  /** Loads what answers here: a `FindPanel` with the entries of the view. The same function always. */
  readonly panel: () => Promise<ComponentType>;
}

/** The field in the top bar that asks for anything by its name; Ctrl K does the same. */
export function FindField({ panel }: FindFieldProps) {
  const [isWanted, setWanted] = useState(false);
  const [Panel] = useState(() => lazy(async () => ({ default: await panel() })));
  const open = (): void => {
    setWanted(true);
    // It may have to be loaded, and then to be mounted.
    void Promise.all([panel(), import('./FindPanel.tsx')]).then(([, { openFind }]) =>
      requestAnimationFrame(() => requestAnimationFrame(openFind)),
    );
  };
  const latest = useRef(open);
  useEffect(() => {
    latest.current = open;
  });
  useEffect(() => {
    const onKeyDown = (event: KeyboardEvent): void => {
      if (!(event.ctrlKey || event.metaKey) || event.shiftKey || event.altKey || event.key.toLowerCase() !== 'k')
        return;
      event.preventDefault();
      event.stopImmediatePropagation();
      latest.current();
    };
    window.addEventListener('keydown', onKeyDown, true);
    return () => window.removeEventListener('keydown', onKeyDown, true);
  }, []);
  return (
    <>
      <button
        type="button"
        className="find-field"
        aria-keyshortcuts="Control+K"
        aria-label="Find anything"
        onClick={open}
      >
        <IconSearch size={15} aria-hidden />
        <span className="find-words">Find anything</span>
        <span className="find-key" aria-hidden>
          Ctrl K
        </span>
      </button>
      <Suspense>{isWanted && <Panel />}</Suspense>
    </>
  );
}
