import {
  freeId,
  guideById,
  holdersAround,
  idsIn,
  insertNode,
  isHolder,
  type Guide,
  type Node,
  type Scene,
} from '@pace-line/core';
import { NOTHING, selectGuide, selectRider, type Selection } from '../../document/index.ts';
import { DRAG_FROM, type Pointer } from '../pointer.ts';
import type { CanvasTool, Tool, ToolHost } from '../tool.ts';
import type { CanvasDrag } from './grabs/grab.ts';
import { grabOf } from './grabs/index.ts';
import { hitsAt, ownerOf, partsAt, type Hit } from './hit.ts';
import { guideFrame } from '../guide-frame.ts';

/** Adjusting: select and drag nodes, handles, marks, riders and whole guides by their grip; drag a box on empty canvas to select. */
export function adjustTool(host: ToolHost): Tool {
  let pressed: Pointer | undefined;
  let hit: Hit | undefined;
  let drag: CanvasDrag | undefined;
  let boxing = false;
  // Time stands still for what is pressed.
  let held = false;
  // The last press without a drag: where it was, what lay there, and what it took.
  let last: { readonly at: Pointer; readonly keys: readonly string[]; readonly took: string } | undefined;
  let again = false;
  let lying: readonly string[] = [];

  const hitsNow = (p: Pointer): Hit[] => hitsAt(host.scene(), host.selection(), host.poses(), p);

  const stop = (): void => {
    if (held) host.release();
    held = false;
    pressed = hit = drag = undefined;
    boxing = false;
    host.preview(null);
    host.hint([]);
  };

  /** A click takes the first thing there, or, pressed again, the one below what it took before. */
  const click = (at: Pointer, took: Hit): void => {
    const hits = hitsNow(at);
    const place = hits.findIndex((one) => keyOf(one) === keyOf(took));
    const next = again ? (hits[(place + 1) % hits.length] ?? took) : took;
    host.select(grabOf(next).select(NOTHING, next, false, host.selection()));
    grabOf(next).clicked?.(host, next);
    last = { at, keys: lying, took: keyOf(next) };
  };

  return {
    down(p) {
      if (pressed) stop();
      pressed = p;
      const hits = hitsNow(p);
      // What a press took stays under the hand, so that pressing again can drag it; only releasing without a drag goes on to what lies below.
      const kept = last && isNear(last.at, p) ? hits.find((one) => keyOf(one) === last?.took) : undefined;
      again = kept !== undefined && hits[0] !== undefined && last!.keys.includes(keyOf(hits[0]));
      hit = again ? kept : hits[0];
      lying = hits.map(keyOf);
      if (!hit) return;
      const grab = grabOf(hit);
      const before = host.selection();
      held = grab.holdsTime(hit, host.scene());
      if (held) host.hold();
      if (p.shift || !grab.isSelected(before, hit)) host.select(grab.select(before, hit, p.shift, before));
    },
    move(p) {
      if (!pressed) return;
      if (!drag && !boxing) {
        if (Math.hypot(p.x - pressed.x, p.y - pressed.y) * p.zoom <= DRAG_FROM) return;
        if (hit) drag = grabOf(hit).begin(host, hit, pressed);
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
        drag.done?.(p);
        last = undefined;
      } else if (boxing && pressed) host.select(joined(host.selection(), inBox(host, pressed, p), p.shift));
      else if (pressed && !hit && !p.shift) host.select(NOTHING);
      else if (pressed && hit && !p.shift) click(pressed, hit);
      stop();
    },
    hover(p) {
      const [first] = hitsNow(p);
      return first ? grabOf(first).cursor(first) : 'default';
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

const keyOf = (hit: Hit): string => grabOf(hit).key(hit);

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
  const poses = host.poses();
  const holdsNode = (guide: Guide) => {
    const frame = guide.visible ? guideFrame(scene, poses, guide) : undefined;
    return ({ x, y }: Node): boolean => frame !== undefined && holds(...frame.toCanvas([x, y]));
  };
  const guide = guideById(scene, host.selection().guides[0] ?? null);
  const nodes = guide?.nodes.filter(holdsNode(guide)).map((node) => node.id) ?? [];
  if (guide && nodes.length > 0) return selectGuide(guide.id, nodes);
  // What is within a scene that was set in goes with that.
  const around = holdersAround(scene);
  const riders = scene.riders
    .filter((rider, i) => !rider.locked && rider.visible && holds(poses.of(i, 'x'), poses.of(i, 'y')))
    .map((rider) => around.get(rider.id)?.[0] ?? rider.id);
  if (riders.length > 0) return { ...NOTHING, riders: [...new Set(riders)] };
  const guides = scene.guides
    .filter((one) => !around.has(one.id) && one.nodes.length > 0 && one.nodes.every(holdsNode(one)))
    .map((one) => one.id);
  return { ...NOTHING, guides };
}

/** A place that is pressed twice: enters the scene that was set in there; else adds a node to the guide. */
export function pressTwice(host: ToolHost, p: Pointer): void {
  const scene = host.scene();
  const [whole] = hitsAt(scene, host.selection(), host.poses(), p);
  const isHolding = whole?.kind === 'rider' && isHolder(scene, whole.rider);
  const part =
    isHolding &&
    partsAt(scene, host.selection(), host.poses(), p).find(
      (hit) =>
        (hit.kind === 'rider' && holdersAround(scene).get(hit.rider)?.includes(whole.rider)) ||
        (hit.kind === 'guide' && holdersAround(scene).get(hit.guide)?.includes(whole.rider)),
    );
  if (part)
    host.select(enteredAs(scene, part, whole.rider) ?? grabOf(part).select(NOTHING, part, false, host.selection()));
  else if (!isHolding) addNodeAt(host, p);
}

/** The scene within a scene that is entered: one level with each double press. */
function enteredAs(scene: Scene, part: Hit, holder: string): Selection | undefined {
  const holders = holdersAround(scene).get(ownerOf(part) ?? '') ?? [];
  const next = holders[holders.indexOf(holder) + 1];
  return next === undefined ? undefined : selectRider(next);
}

/** Adds a node where the pointer is nearest to a guide; where a node is already, that one is selected. */
function addNodeAt(host: ToolHost, p: Pointer): void {
  const hits = hitsAt(host.scene(), host.selection(), host.poses(), p);
  const there = hits.find((hit) => hit.kind === 'node');
  const on = hits.find((hit) => hit.kind === 'guide');
  if (there?.kind === 'node') host.select(selectGuide(there.guide, [there.node]));
  else if (on?.kind === 'guide') {
    const id = freeId(idsIn(host.scene()), `${on.guide}-n`);
    const args = { guide: on.guide, span: on.span, t: on.t, id };
    if (!insertNode.can(host.scene(), args))
      host.do('Add node', (scene) => insertNode(scene, args), selectGuide(on.guide, [id]));
  }
}

export const adjusting = {
  name: 'adjust',
  label: 'Adjust',
  about: 'Selects, moves and bends what is there',
  also: 'select move arrow edit pointer drag',
  make: (host) => adjustTool(host),
} as const satisfies CanvasTool;
