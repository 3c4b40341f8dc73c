import { useEffect } from 'react';
import { isLetOn } from '../../fields/index.ts';
import { useDesk } from '../context.ts';
import { useDeskView } from '../view.ts';
import { controlKeys, plainKeys, shiftedKeys, type Bindings } from './bindings.ts';
import { cardOfKey, goToCard } from './go-to.ts';
import { isReached, watchReach } from './reach.ts';
import { spaceHeld } from './space-key.ts';
import { takesKeys } from './takes-keys.ts';

/** The Desk's keys. Tools have looked at each before. */
export function useDeskKeys(): void {
  const desk = useDesk();
  useEffect(() => {
    const plain = plainKeys(desk);
    const shifted = shiftedKeys(desk);
    const tableOf = (event: KeyboardEvent): Bindings =>
      event.ctrlKey || event.metaKey ? controlKeys(desk, event.shiftKey) : event.shiftKey ? shifted : plain;
    const onKeyDown = (event: KeyboardEvent): void => {
      if ((takesKeys(event.target) && !isLetOn(event)) || event.altKey) return;
      if (event.key === ' ') {
        // A button that was come to by keyboard is pressed by it; after a click space plays again.
        if (isReached(event.target)) return;
        event.preventDefault();
        if (!event.repeat) Object.assign(spaceHeld, { current: true, panned: false });
        return;
      }
      const card = event.ctrlKey || event.metaKey ? undefined : cardOfKey(event);
      if (card) {
        event.preventDefault();
        goToCard(card);
        return;
      }
      const action = tableOf(event).get(event.key.length === 1 ? event.key.toLowerCase() : event.key);
      if (!action) return;
      event.preventDefault();
      action();
    };
    const onKeyUp = (event: KeyboardEvent): void => {
      if (event.key === ' ' && spaceHeld.current) {
        event.preventDefault();
        spaceHeld.current = false;
        if (!spaceHeld.panned) {
          if (event.shiftKey) desk.playback.enter();
          else desk.playback.toggle();
        }
      }
      if (event.key.toLowerCase() === 'x') useDeskView.getState().set({ asSent: false });
    };
    // A window that is left hears no key let go.
    const letGo = (): void => {
      spaceHeld.current = false;
      useDeskView.getState().set({ asSent: false });
    };
    const unwatch = watchReach(() => {
      const { scrubbed, set } = useDeskView.getState();
      if (scrubbed) set({ scrubbed: false });
    });
    window.addEventListener('keydown', onKeyDown);
    window.addEventListener('keyup', onKeyUp);
    window.addEventListener('blur', letGo);
    return () => {
      unwatch();
      window.removeEventListener('keydown', onKeyDown);
      window.removeEventListener('keyup', onKeyUp);
      window.removeEventListener('blur', letGo);
    };
  }, [desk]);
}
