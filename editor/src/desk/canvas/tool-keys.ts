import { useEffect } from 'react';
import type { Tool } from '../../tools/index.ts';
import { useDeskView } from '../view.ts';

/** Keys that a tool understands, before the Desk's own. */
export function useToolKeys(tool: Tool, leave: () => void): void {
  useEffect(() => {
    const onKeyDown = (event: KeyboardEvent): void => {
      const target = event.target as HTMLElement;
      if (target.closest('input, textarea, select, [role="dialog"], [role="listbox"], [role="slider"]')) return;
      const used = event.key === 'Escape' ? tool.cancel() : tool.key(event.key, event.shiftKey);
      if (used) {
        event.preventDefault();
        event.stopImmediatePropagation();
      } else if (event.key === 'Escape' && useDeskView.getState().tool !== 'adjust') leave();
    };
    window.addEventListener('keydown', onKeyDown, true);
    return () => window.removeEventListener('keydown', onKeyDown, true);
  }, [tool, leave]);
}
