import {
  guideById,
  insertNode,
  canInsertNode,
  freeId,
  idsIn,
  moveGuides,
  moveNodes,
  moveRiders,
  nearestOnPath,
  nodeIndex,
  pathOfGuide,
  retimeMark,
  riderById,
  setHandle,
  setSeating,
  type Scene,
} from '@pace-line/core';
import { NOTHING, selectGuide, selectRider, toggled, type Gesture, type Selection } from '../document/index.ts';
import { hitsAt, type Hit } from './hit.ts';
import { DRAG_FROM, type Pointer, type Tool, type ToolHost } from './tool.ts';

/** A drag that has begun: how the scene at its start follows the pointer. */
interface Drag {
  readonly gesture: Gesture;
  readonly follow: (scene: Scene, from: Pointer, to: Pointer) => Scene;
  readonly holds: boolean;
}

/** Adjusting: select and drag nodes, handles, marks, riders and whole guides by their grip; drag a box on empty canvas to select. */
export function adjustTool(host: ToolHost): Tool {
  let pressed: Pointer | undefined;
  let hit: Hit | undefined;
  let drag: Drag | undefined;
  let boxing = false;
  // The last press without a drag: where it was, what lay there, and what it took.
  let last: { readonly at: Pointer; readonly keys: readonly string[]; readonly took: string } | undefined;
  let again = false;
  let lying: readonly string[] = [];

  const hitsNow = (p: Pointer): Hit[] => hitsAt(host.scene(), host.selection(), host.poses(), p);

  const stop = (): void => {
    if (drag?.holds) host.release();
    else if (hit && holdsTime(hit)) host.release();
    pressed = hit = drag = undefined;
    boxing = false;
    host.preview(null);
  };

  return {
    down(p) {
      pressed = p;
      const hits = hitsNow(p);
      // What a press took stays under the hand, so that pressing again can drag it; only releasing without a drag goes on to what lies below.
      const kept = last && isNear(last.at, p) ? hits.find((one) => keyOf(one) === last?.took) : undefined;
      again = kept !== undefined && hits[0] !== undefined && last!.keys.includes(keyOf(hits[0]));
      hit = again ? kept : hits[0];
      lying = hits.map(keyOf);
      if (hit && holdsTime(hit)) host.hold();
      if (hit && !isSelected(host.selection(), hit)) host.select(selected(host.selection(), hit, p.shift));
      else if (hit && p.shift) host.select(selected(host.selection(), hit, true));
    },
    move(p) {
      if (!pressed) return;
      if (!drag && !boxing) {
        if (Math.hypot(p.x - pressed.x, p.y - pressed.y) * p.zoom <= DRAG_FROM) return;
        if (hit) drag = beginDrag(host, hit);
        else boxing = true;
      }
      const from = pressed;
      if (drag) {
        const { gesture, follow } = drag;
        gesture.update((scene) => follow(scene, from, p));
      } else if (boxing) host.preview({ kind: 'box', x0: from.x, y0: from.y, x1: p.x, y1: p.y });
    },
    up(p) {
      if (drag) {
        drag.gesture.commit();
        last = undefined;
      } else if (boxing && pressed) host.select(inBox(host, pressed, p));
      else if (pressed && !hit && !p.shift) host.select(NOTHING);
      else if (pressed && hit && !p.shift) {
        const hits = hitsNow(pressed);
        const place = hits.findIndex((one) => hit && keyOf(one) === keyOf(hit));
        const took = again ? (hits[(place + 1) % hits.length] ?? hit) : hit;
        host.select(selected(NOTHING, took, false, host.selection()));
        last = { at: p, keys: lying, took: keyOf(took) };
      }
      stop();
    },
    hover(p) {
      const [first] = hitsNow(p);
      if (!first) return 'default';
      return first.kind === 'guide' ? 'pointer' : first.kind === 'rider' || first.kind === 'grip' ? 'grab' : 'move';
    },
    cancel() {
      const had = drag !== undefined || boxing;
      drag?.gesture.cancel();
      if (pressed) stop();
      return had;
    },
    key: () => false,
  };
}

const isNear = (a: Pointer, b: Pointer): boolean => Math.hypot(a.x - b.x, a.y - b.y) * b.zoom <= DRAG_FROM;

/** Tells one thing under the pointer from another, wherever on it the pointer is. */
function keyOf(hit: Hit): string {
  switch (hit.kind) {
    case 'handle':
      return `handle ${hit.node} ${hit.side}`;
    case 'node':
      return `node ${hit.node}`;
    case 'mark':
      return `mark ${hit.mark}`;
    case 'rider':
      return `rider ${hit.rider}`;
    case 'grip':
    case 'guide':
      return `${hit.kind} ${hit.guide}`;
  }
}

const holdsTime = (hit: Hit): boolean => hit.kind === 'rider' || hit.kind === 'mark';

function isSelected(selection: Selection, hit: Hit): boolean {
  switch (hit.kind) {
    case 'grip':
      return true;
    case 'handle':
      return true;
    case 'node':
      return selection.nodes.includes(hit.node);
    case 'mark':
      return selection.marks.includes(hit.mark);
    case 'rider':
      return selection.riders.includes(hit.rider);
    case 'guide':
      return selection.guides.includes(hit.guide) && selection.nodes.length === 0;
  }
}

/** The selection after pressing something; with Shift it is added or taken out. */
function selected(before: Selection, hit: Hit, shift: boolean, kept: Selection = before): Selection {
  switch (hit.kind) {
    case 'grip':
      return selectGuide(hit.guide);
    case 'handle':
      return kept;
    case 'node':
      return selectGuide(hit.guide, shift ? toggled(before.nodes, hit.node) : [hit.node]);
    case 'mark':
      return selectRider(hit.rider, shift ? toggled(before.marks, hit.mark) : [hit.mark]);
    case 'rider':
      return shift
        ? { ...before, nodes: [], marks: [], riders: toggled(before.riders, hit.rider) }
        : selectRider(hit.rider);
    case 'guide':
      return shift
        ? { ...before, nodes: [], marks: [], guides: toggled(before.guides, hit.guide) }
        : selectGuide(hit.guide);
  }
}

/** The pointer's way since the press; with Shift along one axis only. */
function wayOf(from: Pointer, to: Pointer): [number, number] {
  const dx = to.x - from.x;
  const dy = to.y - from.y;
  if (!to.shift) return [dx, dy];
  return Math.abs(dx) > Math.abs(dy) ? [dx, 0] : [0, dy];
}

function beginDrag(host: ToolHost, hit: Hit): Drag | undefined {
  const scene = host.scene();
  const time = host.time();
  switch (hit.kind) {
    case 'guide':
      return undefined;
    case 'grip':
      return {
        gesture: host.begin('Move guide'),
        holds: false,
        follow: (base, a, b) => {
          const [dx, dy] = wayOf(a, b);
          return moveGuides(base, { ids: [hit.guide], dx, dy });
        },
      };
    case 'node': {
      const nodes = host.selection().nodes;
      return {
        gesture: host.begin(nodes.length > 1 ? `Move ${nodes.length} nodes` : 'Move node'),
        holds: false,
        follow: (base, a, b) => {
          const [dx, dy] = wayOf(a, b);
          return moveNodes(base, { guide: hit.guide, nodes, dx, dy });
        },
      };
    }
    case 'handle': {
      const guide = guideById(scene, hit.guide);
      const node = guide?.nodes[nodeIndex(guide, hit.node)];
      const start = node?.[hit.side] ?? [0, 0];
      return {
        gesture: host.begin('Move handle'),
        holds: false,
        follow: (base, a, b) => {
          const handle = constrained([start[0] + b.x - a.x, start[1] + b.y - a.y], b.shift);
          return setHandle(base, { guide: hit.guide, node: hit.node, side: hit.side, handle, alone: b.alt });
        },
      };
    }
    case 'mark':
      return { gesture: host.begin('Move mark'), holds: true, follow: followMark(scene, hit.rider, hit.mark) };
    case 'rider': {
      const index = scene.riders.findIndex((rider) => rider.id === hit.rider);
      const rider = scene.riders[index];
      const ids = host.selection().riders.filter((id) => !riderById(scene, id)?.locked);
      if (!rider || rider.guide === null)
        return {
          gesture: host.begin(ids.length > 1 ? `Move ${ids.length} riders` : `Move ${rider?.name ?? 'rider'}`),
          holds: true,
          follow: (base, a, b) => {
            const [dx, dy] = wayOf(a, b);
            return moveRiders(base, { ids, dx, dy });
          },
        };
      const pivot = [host.poses().of(index, 'x'), host.poses().of(index, 'y')] as const;
      return {
        gesture: host.begin(`Set lift and lead of ${rider.name}`),
        holds: true,
        follow: (base, a, b) => {
          const [dx, dy] = wayOf(a, b);
          return setSeating(base, { rider: hit.rider, seating: 'keep', point: [pivot[0] + dx, pivot[1] + dy], time });
        },
      };
    }
  }
}

/** A handle held to multiples of 15°. */
function constrained([x, y]: readonly [number, number], hold: boolean): readonly [number, number] {
  if (!hold) return [x, y];
  const size = Math.hypot(x, y);
  const step = Math.PI / 12;
  const angle = Math.round(Math.atan2(y, x) / step) * step;
  return [size * Math.cos(angle), size * Math.sin(angle)];
}

/** A mark follows the pointer along its guide; its time and its lap stay. */
function followMark(scene: Scene, riderId: string, markId: string): Drag['follow'] {
  const rider = riderById(scene, riderId);
  const guide = guideById(scene, rider?.guide ?? null);
  const mark = rider?.pace.marks.find((one) => one.id === markId);
  return (base, _from, to) => {
    if (!guide || !mark) return base;
    const path = pathOfGuide(guide);
    const near = nearestOnPath(path, to.x, to.y);
    const lap = mark.place.by === 'node' ? mark.place.lap : 0;
    return near
      ? retimeMark(base, { rider: riderId, mark: markId, time: mark.time, distance: near.distance + lap * path.length })
      : base;
  };
}

function inBox(host: ToolHost, a: Pointer, b: Pointer): Selection {
  const [left, right] = a.x < b.x ? [a.x, b.x] : [b.x, a.x];
  const [top, bottom] = a.y < b.y ? [a.y, b.y] : [b.y, a.y];
  const holds = (x: number, y: number): boolean => x >= left && x <= right && y >= top && y <= bottom;
  const scene = host.scene();
  const guide = guideById(scene, host.selection().guides[0] ?? null);
  const nodes = guide?.nodes.filter((node) => holds(node.x, node.y)).map((node) => node.id) ?? [];
  if (guide && nodes.length > 0) return selectGuide(guide.id, nodes);
  const poses = host.poses();
  const riders = scene.riders
    .filter((rider, i) => !rider.locked && rider.visible && holds(poses.of(i, 'x'), poses.of(i, 'y')))
    .map((rider) => rider.id);
  if (riders.length > 0) return { ...NOTHING, riders };
  const guides = scene.guides
    .filter((one) => one.visible && one.nodes.length > 0 && one.nodes.every((node) => holds(node.x, node.y)))
    .map((one) => one.id);
  return { ...NOTHING, guides };
}

/** Adds a node where the pointer is nearest to a guide; where a node is already, that one is selected. */
export function addNodeAt(host: ToolHost, p: Pointer): void {
  const hits = hitsAt(host.scene(), host.selection(), host.poses(), p);
  const there = hits.find((hit) => hit.kind === 'node');
  const on = hits.find((hit) => hit.kind === 'guide');
  if (there?.kind === 'node') host.select(selectGuide(there.guide, [there.node]));
  else if (on?.kind === 'guide') {
    const id = freeId(idsIn(host.scene()), `${on.guide}-n`);
    const args = { guide: on.guide, span: on.span, t: on.t, id };
    if (!canInsertNode(host.scene(), args))
      host.do('Add node', (scene) => insertNode(scene, args), selectGuide(on.guide, [id]));
  }
}
