import { guideById, moveNodes, moveRiders, shiftKeys, shiftMarks } from '@pace-line/core';
import { selectedParts } from '../../document/index.ts';
import { guideFrame, guidesMoved } from '../../tools/index.ts';
import { sceneOf, selectionOf, type Desk } from '../desk.ts';
import { change, perform, plural } from './change.ts';

/** Moves what is selected by an offset, canvas px; marks move by frames in time and by px along the guide, keys by frames. A held key is one step of undo. */
export function nudge(desk: Desk, dx: number, dy: number): void {
  desk.doc.inRun(`nudge ${JSON.stringify(selectionOf(desk))}`, () => nudgeOnce(desk, dx, dy));
}

function nudgeOnce(desk: Desk, dx: number, dy: number): void {
  const { guides, riders } = selectionOf(desk);
  const parts = selectedParts(selectionOf(desk));
  if (parts?.kind.list === 'marks') {
    const [rider, marks, seconds] = [parts.owner, parts.ids, dx / sceneOf(desk).clock.fps];
    perform(desk, plural('Move mark', marks), shiftMarks, { rider, marks, seconds, px: -dy });
  } else if (parts?.kind.list === 'keys')
    perform(desk, plural('Move keyframe', parts.ids), shiftKeys, {
      rider: parts.owner,
      keys: parts.ids,
      seconds: dx / sceneOf(desk).clock.fps,
    });
  else if (parts) {
    const [x, y] = wayOnGuide(desk, parts.owner, [dx, dy]);
    perform(desk, plural('Move node', parts.ids), moveNodes, { guide: parts.owner, nodes: parts.ids, dx: x, dy: y });
  } else if (guides.length + riders.length > 0)
    change(desk, 'Move', (scene) =>
      moveRiders(guidesMoved(scene, desk.playback.poses, { ids: guides, dx, dy }), {
        ...{ ids: riders, dx, dy },
        time: desk.playback.time,
      }),
    );
}

/** A way on the canvas in the px of a guide: one that is carried lies as its carrier does now. */
function wayOnGuide(desk: Desk, id: string, way: readonly [number, number]): readonly [number, number] {
  const scene = sceneOf(desk);
  return guideFrame(scene, desk.playback.poses, guideById(scene, id))?.wayToGuide(way) ?? way;
}
