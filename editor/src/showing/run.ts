import { canvasEdge } from './controls.ts';
import { Hand, NotFound } from './hand.ts';
import { pauseShow, setShow, useShow } from './state.ts';
import { GivenUp, Tempo } from './tempo.ts';

/** Seconds in which a sentence is read, unhurried. */
const readingOf = (words: string): number => 0.8 + words.split(' ').length * 0.22;

/** Frames in which the canvas does not move, once it stands. */
const STILL = 12;

/** s until a scene stands there at most. */
const LONGEST_OPENING = 30;

/** Waits until the canvas stands where it stays: what is pressed before that is pressed elsewhere. */
async function standing(tempo: Tempo): Promise<void> {
  let last = '';
  let same = 0;
  await tempo.until(() => {
    const box = (canvasEdge() ?? document.querySelector('.send-body'))?.getBoundingClientRect();
    const now = box ? `${box.x} ${box.y} ${box.width}` : '';
    same = now !== '' && now === last ? same + 1 : 0;
    last = now;
    return same > STILL ? true : undefined;
  }, LONGEST_OPENING);
}

/** Does the steps that are left, or one alone. */
async function doSteps(tempo: Tempo, isStepwise: boolean): Promise<void> {
  const hand = new Hand(tempo);
  try {
    await standing(tempo);
    for (;;) {
      const show = useShow.getState().show;
      const step = show?.recipe.steps[show.step];
      if (!show || !step) break;
      const began = performance.now();
      for (const act of step.acts) await hand.do(act);
      await tempo.wait(Math.max(0.2, readingOf(step.says) - ((performance.now() - began) / 1000) * tempo.speed));
      setShow({ step: show.step + 1 });
      if (!isStepwise || show.step + 1 === show.recipe.steps.length) continue;
      return setShow({ state: { kind: 'waits' } });
    }
    setShow({ state: { kind: 'done' } });
  } finally {
    hand.remove();
  }
}

/** Shows from the step that is next: to the end, or that one alone. */
export async function goOn(isStepwise: boolean): Promise<void> {
  pauseShow();
  const { run } = useShow.getState();
  setShow({ isStepwise, state: { kind: 'acts' } });
  const tempo = new Tempo(
    () => useShow.getState().speed,
    () => useShow.getState().run === run,
  );
  try {
    await doSteps(tempo, isStepwise);
  } catch (error) {
    if (error instanceof GivenUp) return;
    if (!(error instanceof NotFound)) throw error;
    setShow({ state: { kind: 'failed', why: error.message } });
  }
}
