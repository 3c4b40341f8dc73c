import { emptyFrame, landmarksOf, nameOfNode, pathOfGuide, type Guide } from '@pace-line/core';
import { isInHand } from '../../tools/index.ts';
import type { Figure } from '../figure.ts';
import { group, kept, shape, type Part, type Shape } from '../shapes.ts';
import type { CanvasNow } from './now.ts';

/** What can be shown of guides beside their lines: arrows along them, the names of nodes, their crests, troughs and tightest bends. */
export const seeing: Figure<CanvasNow> = {
  id: 'seeing',
  of: ({ scene, selection, view, seeing: { arrows, nodeNames, landmarks } }) =>
    arrows || nodeNames || landmarks
      ? [scene.guides, selection.guides, view.zoom, arrows, nodeNames, landmarks]
      : [null],
  draw({ scene, selection, view: { zoom }, seeing: { arrows, nodeNames, landmarks } }) {
    if (!arrows && !nodeNames && !landmarks) return null;
    return {
      parts: scene.guides.map(
        (guide) =>
          isInHand(guide) &&
          group({ key: guide.id, style: `color: ${guide.color}` }, [
            arrows && arrowsAlong(guide, zoom),
            landmarks && landmarksOn(guide, zoom),
            nodeNames && namesOn(guide, zoom, selection.guides.includes(guide.id)),
          ]),
      ),
    };
  },
};

/** Screen px between two arrows. */
const ARROW_STEP = 90;

const arrowsAlong = kept((guide: Guide, zoom: number): Shape => {
  const path = pathOfGuide(guide);
  const count = Math.max(1, Math.min(400, Math.floor((path.length * zoom) / ARROW_STEP)));
  const frame = emptyFrame();
  const pieces: string[] = [];
  for (let i = 0; i < count; i++) {
    const { x, y, tangentX: tx, tangentY: ty } = path.frameAtDistance((path.length * (i + 0.5)) / count, 1, frame);
    const at = (along: number, across: number): string =>
      `${(x + (along * tx + across * ty) / zoom).toFixed(2)} ${(y + (along * ty - across * tx) / zoom).toFixed(2)}`;
    pieces.push(`M${at(-5, 6)}L${at(4, 0)}L${at(-5, -6)}`);
  }
  const d = pieces.join('');
  return group({}, [shape('path', { class: 'arrow-casing', d }), shape('path', { class: 'arrow', d })]);
});

const MARKS = { crest: 'M-6 3L0 -4L6 3', trough: 'M-6 -3L0 4L6 -3', bend: 'M-4 -4L4 4M-4 4L4 -4' } as const;

const landmarksOn = kept((guide: Guide, zoom: number): Shape =>
  group(
    {},
    landmarksOf(pathOfGuide(guide))
      .slice(0, 400)
      .map(({ kind, x, y }) =>
        shape('path', { class: 'landmark', d: MARKS[kind], transform: `translate(${x} ${y}) scale(${1 / zoom})` }),
      ),
  ),
);

/** Names of nodes that have one; of the selected guide, all. */
const namesOn = kept((guide: Guide, zoom: number, isSelected: boolean): Shape =>
  group(
    {},
    guide.nodes.slice(0, 300).map(
      (node): Part =>
        (isSelected || node.name !== undefined || !/-n\d*/.test(node.id)) &&
        shape(
          'text',
          {
            key: node.id,
            class: 'node-name',
            transform: `translate(${node.x} ${node.y}) scale(${1 / zoom})`,
            x: 10,
            y: 16,
          },
          nameOfNode(guide, node.id),
        ),
    ),
  ),
);
