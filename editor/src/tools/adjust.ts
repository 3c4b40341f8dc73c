import {
  canPullSpan,
  guideById,
  matrixAbout,
  insertNode,
  canInsertNode,
  canMoveGuides,
  freeId,
  idsIn,
  moveGuides,
  moveNodes,
  moveRiders,
  nearestOnPath,
  nodeIndex,
  pathOfGuide,
  pullSpan,
  retimeMark,
  riderById,
  setHandle,
  setSeating,
  setTracing,
  transformGuides,
  transformNodes,
  type Scene,
} from '@pace-line/core';
import { NOTHING, selectGuide, selectRider, toggled, type Gesture, type Selection } from '../document/index.ts';
import { hitsAt, type Hit } from './hit.ts';
import { boundsOf, boxedOf, type BoxHandle, type Boxed } from './selection-box.ts';
import { snapped, type Moving } from './snap.ts';
import { DRAG_FROM, heldToAngles, wayOf, type Pointer, type Tool, type ToolHost } from './tool.ts';

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
    host.hint([]);
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
        if (hit) drag = beginDrag(host, hit, pressed);
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
      } else if (boxing && pressed) host.select(joined(host.selection(), inBox(host, pressed, p), p.shift));
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
      return CURSORS[first.kind === 'box' ? (first.handle.kind === 'turn' ? 'turn' : 'scale') : first.kind];
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

const CURSORS = {
  grip: 'grab',
  rider: 'grab',
  guide: 'ns-resize',
  picture: 'move',
  turn: 'alias',
  scale: 'nwse-resize',
  handle: 'move',
  node: 'move',
  mark: 'move',
} as const;

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
    case 'picture':
      return `picture ${hit.picture}`;
    case 'grip':
    case 'guide':
      return `${hit.kind} ${hit.guide}`;
    case 'box':
      return hit.handle.kind === 'turn' ? 'turn' : `scale ${hit.handle.sx} ${hit.handle.sy}`;
  }
}

const holdsTime = (hit: Hit): boolean => hit.kind === 'rider' || hit.kind === 'mark';

function isSelected(selection: Selection, hit: Hit): boolean {
  switch (hit.kind) {
    case 'grip':
    case 'box':
    case 'handle':
    case 'picture':
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
      return kept.guides.includes(hit.guide) ? { ...kept, nodes: [] } : selectGuide(hit.guide);
    case 'box':
    case 'handle':
      return kept;
    case 'picture':
      return NOTHING;
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

/** The way of a drag that puts `anchor` on what it is drawn to. */
function drawnWay(
  host: ToolHost,
  anchor: readonly [number, number],
  a: Pointer,
  b: Pointer,
  moving: Moving,
): [number, number] {
  const [dx, dy] = wayOf(a, b);
  if (b.shift) {
    host.hint([]);
    return [dx, dy];
  }
  const { x, y, hints } = snapped(
    host.scene(),
    host.poses(),
    host.snapping(),
    b,
    [anchor[0] + dx, anchor[1] + dy],
    moving,
  );
  host.hint(hints);
  return [x - anchor[0], y - anchor[1]];
}

function beginDrag(host: ToolHost, hit: Hit, pressed: Pointer): Drag | undefined {
  const scene = host.scene();
  const time = host.time();
  switch (hit.kind) {
    case 'guide': {
      const refusal = canPullSpan(scene, { guide: hit.guide, span: hit.span, t: hit.t, to: [0, 0] });
      if (refusal) {
        host.tell(refusal.message);
        return undefined;
      }
      return {
        gesture: host.begin('Bend span'),
        holds: false,
        follow: (base, a, b) => {
          const [dx, dy] = wayOf(a, b);
          return pullSpan(base, { guide: hit.guide, span: hit.span, t: hit.t, to: [a.x + dx, a.y + dy], arc: b.alt });
        },
      };
    }
    case 'box':
      return boxDrag(host, hit.handle);
    case 'picture': {
      const picture = scene.tracing.find((one) => one.id === hit.picture);
      return {
        gesture: host.begin(`Move ${picture?.name ?? 'picture'}`),
        holds: false,
        follow: (base, a, b) => {
          const [dx, dy] = wayOf(a, b);
          return picture ? setTracing(base, { id: picture.id, patch: { x: picture.x + dx, y: picture.y + dy } }) : base;
        },
      };
    }
    case 'grip': {
      const ids = host.selection().guides.includes(hit.guide) ? host.selection().guides : [hit.guide];
      const refusal = canMoveGuides(scene, { ids, dx: 0, dy: 0 });
      if (refusal) {
        host.tell(refusal.message);
        return undefined;
      }
      const first = guideById(scene, hit.guide)?.nodes[0];
      const anchor = [first?.x ?? pressed.x, first?.y ?? pressed.y] as const;
      return {
        gesture: host.begin(ids.length > 1 ? `Move ${ids.length} guides` : 'Move guide'),
        holds: false,
        follow: (base, a, b) => {
          const [dx, dy] = drawnWay(host, anchor, a, b, { guides: ids });
          return moveGuides(base, { ids, dx, dy });
        },
      };
    }
    case 'node': {
      const nodes = host.selection().nodes;
      const node = guideById(scene, hit.guide)?.nodes.find((one) => one.id === hit.node);
      const anchor = [node?.x ?? pressed.x, node?.y ?? pressed.y] as const;
      return {
        gesture: host.begin(nodes.length > 1 ? `Move ${nodes.length} nodes` : 'Move node'),
        holds: false,
        follow: (base, a, b) => {
          const [dx, dy] = drawnWay(host, anchor, a, b, { nodes });
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
          const free: readonly [number, number] = [start[0] + b.x - a.x, start[1] + b.y - a.y];
          const handle = b.shift ? heldToAngles(free) : free;
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
            const [dx, dy] = drawnWay(host, rider?.at ?? [a.x, a.y], a, b, { riders: ids });
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

/** Scaling or turning the boxed selection: about the opposite side, with Alt about the middle; Shift keeps proportions, and turns by 15°. */
function boxDrag(host: ToolHost, handle: BoxHandle): Drag | undefined {
  const scene = host.scene();
  const boxed = boxedOf(scene, host.selection());
  const bounds = boxed && boundsOf(scene, boxed);
  if (!boxed || !bounds) return undefined;
  const middle = [(bounds.left + bounds.right) / 2, (bounds.top + bounds.bottom) / 2] as const;
  if (handle.kind === 'turn')
    return {
      gesture: host.begin('Turn'),
      holds: false,
      follow: (base, a, b) => {
        const from = Math.atan2(a.y - middle[1], a.x - middle[0]);
        const to = Math.atan2(b.y - middle[1], b.x - middle[0]);
        const step = Math.PI / 12;
        const angle = b.shift ? Math.round((to - from) / step) * step : to - from;
        return transformed(base, boxed, matrixAbout(middle, 1, 1, angle));
      },
    };
  const { sx, sy } = handle;
  const size = [bounds.right - bounds.left, bounds.bottom - bounds.top] as const;
  return {
    gesture: host.begin('Scale'),
    holds: false,
    follow: (base, a, b) => {
      const about = [
        b.alt || sx === 0 ? middle[0] : sx > 0 ? bounds.left : bounds.right,
        b.alt || sy === 0 ? middle[1] : sy > 0 ? bounds.top : bounds.bottom,
      ] as const;
      const double = b.alt ? 2 : 1;
      let fx = sx === 0 || size[0] < 1 ? 1 : 1 + (double * sx * (b.x - a.x)) / size[0];
      let fy = sy === 0 || size[1] < 1 ? 1 : 1 + (double * sy * (b.y - a.y)) / size[1];
      if (b.shift && sx !== 0 && sy !== 0) fx = fy = Math.abs(fx - 1) > Math.abs(fy - 1) ? fx : fy;
      const kept = (factor: number): number => (Math.abs(factor) < 0.01 ? 0.01 * (Math.sign(factor) || 1) : factor);
      return transformed(base, boxed, matrixAbout(about, kept(fx), kept(fy), 0));
    },
  };
}

const transformed = (scene: Scene, boxed: Boxed, matrix: ReturnType<typeof matrixAbout>): Scene =>
  boxed.kind === 'nodes'
    ? transformNodes(scene, { guide: boxed.guide, nodes: boxed.nodes, matrix })
    : transformGuides(scene, { ids: boxed.guides, matrix });

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

/** What a box took, added to what was selected where Shift is held and both are of one kind. */
function joined(before: Selection, found: Selection, shift: boolean): Selection {
  if (!shift) return found;
  const both = (a: readonly string[], b: readonly string[]): string[] => [...new Set([...a, ...b])];
  const isSame = found.nodes.length > 0 && before.guides[0] === found.guides[0];
  if (found.nodes.length > 0) return isSame ? { ...found, nodes: both(before.nodes, found.nodes) } : found;
  return { ...NOTHING, guides: both(before.guides, found.guides), riders: both(before.riders, found.riders) };
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
