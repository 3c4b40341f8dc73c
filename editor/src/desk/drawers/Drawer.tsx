import { CloseButton } from '@mantine/core';
import { useEffect, useRef, type ReactNode } from 'react';
import { giveFocus } from '../../platform/focus.ts';
import { useDeskView } from '../view.ts';
import './drawers.css';

/** A panel beside the canvas; Escape closes it. */
export function Drawer({ title, children }: { title: string; children: ReactNode }) {
  const set = useDeskView((state) => state.set);
  const drawer = useRef<HTMLElement>(null);
  useEffect(() => {
    const before = document.activeElement;
    const own = drawer.current;
    giveFocus(own);
    // Closed from within, the keyboard goes back to where it was.
    return () => {
      const isLost = document.activeElement === document.body || own?.contains(document.activeElement);
      if (isLost && before instanceof HTMLElement && before.isConnected) before.focus({ preventScroll: true });
    };
  }, []);
  return (
    <aside
      ref={drawer}
      tabIndex={-1}
      className="drawer"
      aria-label={title}
      onKeyDown={(event) => {
        if (event.key === 'Escape') set({ drawer: null });
      }}
    >
      <header className="drawer-head">
        <h2>{title}</h2>
        <CloseButton size="sm" aria-label={`Close ${title}`} onClick={() => set({ drawer: null })} />
      </header>
      <div className="drawer-body">{children}</div>
    </aside>
  );
}
