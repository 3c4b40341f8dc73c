import { useEffect } from 'react';
import type { Scene, Told } from '@pace-line/core';
import { useDocument } from '../../document/index.ts';
import { findingAgain, type Job } from '../../jobs/index.ts';
import { CHECKED_AT_ONCE, sizeOf } from '../../scene/use-checks.ts';
import { useOpenScene } from '../../scene/context.ts';
import { useDeskView } from '../view.ts';
import { hand } from './hand.ts';

/** Lets the finding that is looked at follow the hand: its check is asked of the scene that is being made, in a worker, again as soon as it has answered. */
export function useFollowedFinding(): void {
  const doc = useDocument();
  const { playback } = useOpenScene();
  useEffect(() => {
    let job: Job<Told | null> | undefined;
    let asked: Scene | undefined;
    const ask = (scene: Scene, finding: Told): void => {
      asked = scene;
      const mine = (job = findingAgain(scene, finding));
      void mine.end.then((end) => {
        if (job !== mine) return;
        job = undefined;
        if (end.state === 'done') hand.setState({ followed: { finding, found: end.result } });
        playback.invalidate();
      });
    };
    const stop = (): void => {
      job?.cancel();
      job = asked = undefined;
      if (hand.getState().followed) hand.setState({ followed: null });
    };
    const off = playback.onFrame(({ scene }) => {
      const { finding } = useDeskView.getState();
      const { committed } = doc.state;
      const isMade = finding?.scene === committed && scene !== committed && sizeOf(scene) <= CHECKED_AT_ONCE;
      if (!isMade) stop();
      else if (!job && scene !== asked) ask(scene, finding.finding);
    });
    return () => {
      off();
      stop();
    };
  }, [doc, playback]);
}
