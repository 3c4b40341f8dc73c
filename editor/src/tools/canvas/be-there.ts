import { beThere, countedIds, cycleOf, guideById, localAt, riderById, type Rider, type Scene } from '@pace-line/core';
import { selectRider } from '../../document/index.ts';
import { wordsOfRefusal } from '../../words/refusals.ts';
import { guideFrame } from '../guide-frame.ts';
import type { ToolHost } from '../tool.ts';

/** The time of a rider's own cycle at a time of the loop, on a frame, s. */
export function localTime(scene: Scene, rider: Rider, time: number): number {
  const { clock } = scene;
  return Math.min(cycleOf(rider, clock), Math.round(localAt(scene, rider, time) * clock.fps) / clock.fps);
}

/** A guide is pressed at a place of the canvas: the rider is there at the playhead, by the mark that stands there or by a new one. */
export function pressGuide(host: ToolHost, guide: string, riderId: string, at: readonly [number, number]): void {
  const scene = host.scene();
  const rider = riderById(scene, riderId);
  if (!rider) return;
  const frame = guideFrame(scene, host.poses(), guideById(scene, guide));
  if (!frame) return;
  const next = countedIds(scene, `${riderId}-m`);
  const ids = [next(), next()] as const;
  const args = { rider: riderId, guide, time: localTime(scene, rider, host.time()), at: frame.toGuide(at), ids };
  const refusal = beThere.can(scene, args);
  if (refusal) return host.tell(wordsOfRefusal(refusal));
  host.do(`Place at ${args.time.toFixed(2)} s`, (base) => beThere(base, args), selectRider(riderId));
}
