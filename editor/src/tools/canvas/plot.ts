import { addGuide } from '@pace-line/core';
import { selectGuide } from '../../document/index.ts';
import { guideFrom } from './new-guide.ts';
import { snapped } from '../snap/snap.ts';
import { DRAG_FROM, heldToAngles, hitRadius, type Pointer } from '../pointer.ts';
import type { DraftNode } from '../preview.ts';
import type { Tool, ToolHost } from '../tool.ts';

/**
 * Plotting: click for a corner, press and drag to pull handles, click the first node to close, click the last one again (or Enter) to end,
 * Backspace takes the last node back, Escape cancels. Nothing enters the document before the end.
 */
export function plotTool(host: ToolHost, done: () => void): Tool {
  let nodes: DraftNode[] = [];
  let pulling = false;
  let closing = false;
  let pressed: Pointer | undefined;
  let last: Pointer | undefined;

  const near = (node: DraftNode | undefined, p: Pointer): boolean =>
    node !== undefined && Math.hypot(node.x - p.x, node.y - p.y) * p.zoom <= hitRadius(p.kind);

  /** The pointer drawn to what lies near; with Shift at a multiple of 15° from the last node. */
  const placed = (p: Pointer): Pointer => {
    const before = nodes.at(-1);
    if (p.shift && before) {
      const [dx, dy] = heldToAngles([p.x - before.x, p.y - before.y]);
      return { ...p, x: before.x + dx, y: before.y + dy };
    }
    if (near(nodes[0], p) || near(before, p)) {
      host.hint([]);
      return p;
    }
    const { x, y, hints } = snapped(host.scene(), host.poses(), host.snapping(), p);
    host.hint(hints);
    return { ...p, x, y };
  };

  const show = (): void =>
    host.preview(
      nodes.length === 0 && !last
        ? null
        : {
            kind: 'plot',
            nodes,
            next: pulling || !last ? null : [last.x, last.y],
            closes: nodes.length >= 2 && last !== undefined && near(nodes[0], last),
          },
    );

  const reset = (): void => {
    nodes = [];
    pulling = closing = false;
    last = undefined;
    host.preview(null);
    host.hint([]);
  };

  const finish = (closed: boolean): void => {
    if (nodes.length >= 2) {
      const guide = guideFrom(host.scene(), nodes, closed);
      host.do('Plot guide', (scene) => addGuide(scene, { guide }), selectGuide(guide.id));
      reset();
      done();
    } else reset();
  };

  return {
    down(raw) {
      const p = placed(raw);
      pressed = p;
      last = p;
      if (nodes.length >= 2 && near(nodes[0], p)) closing = pulling = true;
      else if (nodes.length >= 2 && near(nodes.at(-1), p)) finish(false);
      else if (nodes.length !== 1 || !near(nodes[0], p)) {
        nodes = [...nodes, { x: p.x, y: p.y, join: 'corner' }];
        pulling = true;
      }
      show();
    },
    move(p) {
      last = p;
      if (!pulling || !pressed) return show();
      const index = closing ? 0 : nodes.length - 1;
      const node = nodes[index];
      if (!node) return;
      const way = [p.x - node.x, p.y - node.y] as const;
      const out = p.shift ? heldToAngles(way) : way;
      const isPulled = Math.hypot(p.x - pressed.x, p.y - pressed.y) * p.zoom > DRAG_FROM;
      if (!isPulled) return;
      const into = [-out[0], -out[1]] as const;
      const pulled: DraftNode = closing ? { ...node, in: into } : { ...node, in: into, out, join: 'balanced' };
      nodes = nodes.map((one, i) => (i === index ? pulled : one));
      show();
    },
    up(p) {
      last = p;
      pulling = false;
      if (closing) finish(true);
      else show();
    },
    hover(p) {
      last = placed(p);
      show();
      return 'crosshair';
    },
    cancel() {
      const had = nodes.length > 0;
      reset();
      return had;
    },
    key(key) {
      if (nodes.length === 0) return false;
      if (key === 'Enter') finish(false);
      else if (key === 'Backspace') {
        nodes = nodes.slice(0, -1);
        show();
      } else return false;
      return true;
    },
  };
}
