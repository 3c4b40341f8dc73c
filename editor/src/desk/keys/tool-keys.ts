import { useEffect } from 'react';
import type { Tool } from '../../tools/index.ts';
import { useDeskView } from '../view.ts';
import { takesKeys } from './takes-keys.ts';

/** Keys that a tool understands, before the Desk's own. */
export function useToolKeys(tool: Tool, cursor: (event: KeyboardEvent) => boolean, leave: () => void): void {
  useEffect(() => {
    const onKeyDown = (event: KeyboardEvent): void => {
      if (takesKeys(event.target)) return;
      const used = cursor(event) || (event.key === 'Escape' ? tool.cancel() : tool.key(event.key, event.shiftKey));
      if (used) {
        event.preventDefault();
        event.stopImmediatePropagation();
      } else if (event.key === 'Escape' && useDeskView.getState().tool !== 'adjust') leave();
    };
    window.addEventListener('keydown', onKeyDown, true);
    return () => window.removeEventListener('keydown', onKeyDown, true);
  }, [tool, cursor, leave]);
}
