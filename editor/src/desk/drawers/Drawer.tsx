import { CloseButton } from '@mantine/core';
import type { ReactNode } from 'react';
import { useDeskView } from '../view.ts';
import './drawers.css';

/** A panel beside the canvas; Escape closes it. */
export function Drawer({ title, children }: { title: string; children: ReactNode }) {
  const set = useDeskView((state) => state.set);
  return (
    <aside
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
