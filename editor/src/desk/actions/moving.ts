import { moveGuides, moveNodes, moveRiders } from '@pace-line/core';
import { selectedParts } from '../../document/index.ts';
import { selectionOf, type Desk } from '../desk.ts';
import { change, perform, plural } from './change.ts';
import { nudgeMarks } from './marks.ts';

/** Moves what is selected by an offset, canvas px; marks move by frames in time and by px along the guide. */
export function nudge(desk: Desk, dx: number, dy: number): void {
  const { guides, riders } = selectionOf(desk);
  const parts = selectedParts(selectionOf(desk));
  if (parts?.kind.list === 'marks') nudgeMarks(desk, parts.owner, parts.ids, dx, -dy);
  else if (parts)
    perform(desk, plural('Move node', parts.ids), moveNodes, { guide: parts.owner, nodes: parts.ids, dx, dy });
  else if (guides.length + riders.length > 0)
    change(desk, 'Move', (scene) => moveRiders(moveGuides(scene, { ids: guides, dx, dy }), { ids: riders, dx, dy }));
}
