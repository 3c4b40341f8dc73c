import { guideById, markById, nearestOnPath, pathOfGuide, retimeMark, riderById } from '@pace-line/core';
import { selectRider, toggled } from '../../../document/index.ts';
import { guideFrame } from '../../guide-frame.ts';
import { timeOfMark } from '../../mark-time.ts';
import { flagsOf } from '../flags.ts';
import { RANKS, type Grab, type Hit } from './grab.ts';

/** The flag of a mark: it follows the pointer along its guide; its time and its lap stay. */
export const mark: Grab<Hit & { kind: 'mark' }> = {
  kind: 'mark',
  find({ scene, selection, poses, near }) {
    for (const { rider, guide, mark, x, y } of flagsOf(scene, selection)) {
      const at = guideFrame(scene, poses, guide)?.toCanvas([x, y]);
      if (at) near({ kind: 'mark', rider, mark }, RANKS.mark, ...at);
    }
  },
  key: ({ mark: id }) => `mark ${id}`,
  cursor: () => 'move',
  holdsTime: () => true,
  isSelected: (selection, hit) => selection.marks.includes(hit.mark),
  select: (before, hit, shift) => selectRider(hit.rider, shift ? toggled(before.marks, hit.mark) : [hit.mark]),
  clicked: (host, hit) => host.goTo(timeOfMark(host.scene(), hit.rider, hit.mark)),
  begin(host, hit) {
    const rider = riderById(host.scene(), hit.rider);
    const guide = guideById(host.scene(), rider?.guide ?? null);
    const one = rider && markById(rider, hit.mark);
    const frame = guideFrame(host.scene(), host.poses(), guide);
    if (!rider || !guide || !one || !frame) return undefined;
    const lap = one.place.by === 'node' ? one.place.lap : 0;
    return {
      gesture: host.begin('Move mark'),
      follow(base, _from, to) {
        const path = pathOfGuide(guide);
        const near = nearestOnPath(path, ...frame.toGuide([to.x, to.y]));
        if (!near) return base;
        const distance = near.distance + lap * path.length - rider.lead;
        return retimeMark(base, { rider: hit.rider, mark: hit.mark, time: one.time, distance });
      },
    };
  },
};
