import { useEffect, useState } from 'react';
import { foldingOf, foldTime, riderById, type Mark, type Scene } from '@pace-line/core';
import { useDocument } from '../../../document/index.ts';
import { useOpenScene } from '../../../scene/context.ts';

/** The mark that a rider has come to at a time of the loop, s: the last that is not later, else its first. */
export function markAt(scene: Scene, riderId: string | undefined, time: number): Mark | undefined {
  const rider = riderById(scene, riderId ?? '');
  if (!rider) return undefined;
  const { local } = foldTime(time, foldingOf(rider, scene.clock));
  return rider.pace.marks.findLast((mark) => mark.time <= local + 1e-6) ?? rider.pace.marks[0];
}

/** The mark at the playhead. It stays what it was while time runs, and is looked for anew where it comes to rest. */
export function useMarkHere(riderId: string | undefined): string | undefined {
  const doc = useDocument();
  const { playback } = useOpenScene();
  const [here, setHere] = useState<string>();
  useEffect(() => {
    let last: string | undefined;
    return playback.onFrame(({ time }) => {
      if (!playback.isAtRest) return;
      // As the scene is kept: what a hand is moving is looked at when it lets go.
      const now = markAt(doc.settled.getState().shown, riderId, time)?.id;
      if (now !== last) setHere((last = now));
    });
  }, [doc, playback, riderId]);
  return here;
}
