import { useEffect, useState } from 'react';
import { tieKeys } from '@pace-line/core';
import { selectRider, useDocumentState } from '../../../document/index.ts';
import { perform } from '../../actions/change.ts';
import { useDesk } from '../../context.ts';
import { useDeskView } from '../../view.ts';

/** While a mark is pointed at for keys: the next one that is selected, wherever, is theirs, and they are selected again. */
export function TyingWatch(): null {
  const desk = useDesk();
  const tying = useDeskView((state) => state.tying);
  const set = useDeskView((state) => state.set);
  const selection = useDocumentState((state) => state.selection);
  const [isPressed, setPressed] = useState(false);
  useEffect(() => {
    if (!tying) return;
    const down = (): void => setPressed(true);
    // After whoever takes the press has done with it: it selects once more as it ends.
    const up = (): void => void setTimeout(() => setPressed(false));
    window.addEventListener('pointerdown', down, true);
    window.addEventListener('pointerup', up, true);
    return () => {
      window.removeEventListener('pointerdown', down, true);
      window.removeEventListener('pointerup', up, true);
    };
  }, [tying]);
  useEffect(() => {
    if (!tying || isPressed) return;
    const [mark] = selection.marks;
    if (mark === undefined) {
      if (!tying.keys.some((key) => selection.keys.includes(key))) set({ tying: null });
      return;
    }
    set({ tying: null });
    const { rider, keys } = tying;
    perform(desk, 'Move keyframe with a mark', tieKeys, { rider, keys, mark }, { ...selectRider(rider), keys });
  }, [desk, tying, isPressed, selection, set]);
  return null;
}
