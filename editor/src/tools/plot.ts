import { addGuide, freeId, freeName, idsIn, ROUTE_COLORS, type Guide, type Scene } from '@pace-line/core';
import { selectGuide } from '../document/index.ts';
import { DRAG_FROM, hitRadius, type DraftNode, type Pointer, type Tool, type ToolHost } from './tool.ts';

/** A guide made of plotted nodes, with ids and a name that are free in the scene, in the next route colour. */
export function guideFrom(scene: Scene, nodes: readonly DraftNode[], closed: boolean): Guide {
  const taken = idsIn(scene);
  const claim = (base: string): string => {
    const id = freeId(taken, base);
    taken.add(id);
    return id;
  };
  const id = claim('guide');
  const color =
    ROUTE_COLORS.find((one) => scene.guides.every((guide) => guide.color !== one)) ??
    ROUTE_COLORS[scene.guides.length % ROUTE_COLORS.length];
  return {
    id,
    name: freeName(
      scene.guides.map((guide) => guide.name),
      'Guide',
    ),
    closed,
    nodes: nodes.map((node, i) => ({ ...node, id: claim(`${id}-n${i + 1}`) })),
    color: color ?? ROUTE_COLORS[0],
    visible: true,
    locked: false,
    corridor: null,
  };
}

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
    down(p) {
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
      const out = [p.x - node.x, p.y - node.y] as const;
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
      last = p;
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
