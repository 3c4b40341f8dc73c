import { addGuide } from '@pace-line/core';
import { selectGuide } from '../../document/index.ts';
import { guideFrom } from './new-guide.ts';
import { snapped } from '../snap/snap.ts';
import { DRAG_FROM, heldToAngles, hitRadius, type Pointer } from '../pointer.ts';
import type { DraftNode, Preview } from '../preview.ts';
import type { CanvasTool, Tool, ToolHost } from '../tool.ts';

/**
 * Plotting: click for a corner, press and drag to pull handles, click the first node to close, click the last one again (or Enter) to end,
 * Backspace takes the last node back as undo does, Escape cancels. Another tool ends the guide as Enter does. Nothing enters the document before
 * the end.
 */
export function plotTool(host: ToolHost, done: () => void): Tool {
  let nodes: DraftNode[] = [];
  let pulling = false;
  let closing = false;
  let pressed: Pointer | undefined;
  let last: Pointer | undefined;

  const show = (): void => host.preview(previewOf(nodes, last, pulling));

  /** Takes the last node back, or the press that was about to close. */
  const back = (): boolean => {
    if (nodes.length === 0) return false;
    if (!closing) nodes = nodes.slice(0, -1);
    pulling = closing = false;
    show();
    return true;
  };

  const reset = (): void => {
    nodes = [];
    pulling = closing = false;
    last = undefined;
    host.preview(null);
    host.hint([]);
  };

  const finish = (closed: boolean): void => {
    const isGuide = nodes.length >= 2;
    if (isGuide) put(host, nodes, closed);
    reset();
    if (isGuide) done();
  };

  return {
    down(raw) {
      const p = aimed(host, nodes, raw);
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
      const index = closing ? 0 : nodes.length - 1;
      const node = nodes[index];
      if (pulling && pressed && node) {
        if (Math.hypot(p.x - pressed.x, p.y - pressed.y) * p.zoom <= DRAG_FROM) return;
        const pulled = pulledTo(node, p, closing);
        nodes = nodes.map((one, i) => (i === index ? pulled : one));
      }
      show();
    },
    up(p) {
      last = p;
      pulling = false;
      if (closing) finish(true);
      else show();
    },
    hover(p) {
      last = aimed(host, nodes, p);
      show();
      return 'crosshair';
    },
    cancel() {
      const had = nodes.length > 0;
      reset();
      return had;
    },
    key(key) {
      if (nodes.length === 0 || (key !== 'Enter' && key !== 'Backspace')) return false;
      if (key === 'Enter') finish(false);
      else back();
      return true;
    },
    back,
    leave() {
      if (nodes.length >= 2) put(host, nodes, false);
      reset();
    },
  };
}

function put(host: ToolHost, nodes: readonly DraftNode[], closed: boolean): void {
  const guide = guideFrom(host.scene(), nodes, closed);
  host.do('Plot guide', (scene) => addGuide(scene, { guide }), selectGuide(guide.id));
}

const near = (node: DraftNode | undefined, p: Pointer): boolean =>
  node !== undefined && Math.hypot(node.x - p.x, node.y - p.y) * p.zoom <= hitRadius(p.kind);

/** The pointer drawn to what lies near; with Shift at a multiple of 15° from the last node. */
function aimed(host: ToolHost, nodes: readonly DraftNode[], p: Pointer): Pointer {
  const before = nodes.at(-1);
  if (p.shift && before) {
    const [dx, dy] = heldToAngles([p.x - before.x, p.y - before.y]);
    return { ...p, x: before.x + dx, y: before.y + dy };
  }
  const isOnEnd = near(nodes[0], p) || near(before, p);
  const { x, y, hints } = isOnEnd ? { ...p, hints: [] } : snapped(host.scene(), host.poses(), host.snapping(), p);
  host.hint(hints);
  return { ...p, x, y };
}

function previewOf(nodes: readonly DraftNode[], last: Pointer | undefined, pulling: boolean): Preview | null {
  if (nodes.length === 0 && !last) return null;
  return {
    kind: 'plot',
    nodes,
    next: pulling || !last ? null : [last.x, last.y],
    closes: nodes.length >= 2 && last !== undefined && near(nodes[0], last),
  };
}

/** A node whose handles are pulled to the pointer; the first one, when it closes, keeps its handle out. */
function pulledTo(node: DraftNode, p: Pointer, closing: boolean): DraftNode {
  const way = [p.x - node.x, p.y - node.y] as const;
  const out = p.shift ? heldToAngles(way) : way;
  const into = [-out[0], -out[1]] as const;
  return closing ? { ...node, in: into } : { ...node, in: into, out, join: 'balanced' };
}

export const plotting = {
  name: 'plot',
  label: 'Plot',
  about: 'Draws a guide node by node',
  also: 'pen bezier draw path points polyline curve',
  line: 'Click for a corner, drag for a curve; the first node closes, Enter ends, Backspace removes the last node, Escape cancels.',
  pointed: 'press',
  make: plotTool,
} as const satisfies CanvasTool;
