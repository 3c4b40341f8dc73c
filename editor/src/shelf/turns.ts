import { useEffect, useState } from 'react';

/** ms. A picture that takes longer from being shown to the next frame would hold up whoever scrolls past it. */
const MOST = 600;

/** Pictures that wait to be shown: each gives, when its turn comes, a promise of being painted. */
const waiting: (() => Promise<void>)[] = [];
let isBusy = false;

async function next(): Promise<void> {
  if (isBusy) return;
  isBusy = true;
  for (let show = waiting.shift(); show; show = waiting.shift()) await show();
  isBusy = false;
}

const frame = (): Promise<void> => new Promise((resolve) => requestAnimationFrame(() => resolve()));

/** How a picture stands: not shown yet, shown, or so heavy that it is not. */
export type Turn = 'waiting' | 'shown' | 'heavy';

/** One picture is drawn after the other, so that the page is there before them; one that takes too long to paint is taken away again. */
export function useTurn(picture: string): Turn {
  const [turn, setTurn] = useState<Turn>('waiting');
  useEffect(() => {
    if (!picture) return;
    let isGone = false;
    const show = async (): Promise<void> => {
      if (isGone) return;
      const begun = performance.now();
      setTurn('shown');
      await frame();
      await frame();
      if (!isGone && performance.now() - begun > MOST) setTurn('heavy');
    };
    waiting.push(show);
    void next();
    return () => {
      isGone = true;
    };
  }, [picture]);
  return turn;
}
