import {
  freeId,
  guideById,
  idsIn,
  closesAt,
  riderById,
  setDown,
  type Rider,
  type Scene,
  type SetDown,
} from '@pace-line/core';
import { NOTHING, selectRider, type Gesture } from '../../document/index.ts';
import { localTime, pressGuide } from './be-there.ts';
import { wordsOfRefusal } from '../../words/refusals.ts';
import { hitsAt } from './hit.ts';
import { timeOfMark } from '../mark-time.ts';
import { guideFrame } from '../guide-frame.ts';
import { nextColor } from './new-guide.ts';
import { snapped } from '../snap/snap.ts';
import { DRAG_FROM, hitRadius, type Pointer } from '../pointer.ts';
import type { CanvasTool, Tool, ToolHost } from '../tool.ts';

/** A rider in the hand. */
interface Drag {
  readonly rider: string;
  readonly from: Pointer;
  /** Where its pivot was when it was taken. */
  readonly pivot: readonly [number, number];
  gesture: Gesture | undefined;
}

/**
 * Setting down: drag a rider to where it should be at the playhead. The guide grows a node there with a mark tied to it; at a time that has one already,
 * that one's node moves. Pressing the guide makes the selected rider be there then.
 */
export function setDownTool(host: ToolHost): Tool {
  let drag: Drag | undefined;

  const stop = (): void => {
    if (drag) host.release();
    drag = undefined;
    host.hint([]);
  };

  const take = (rider: string, p: Pointer): void => {
    const index = host.scene().riders.findIndex((one) => one.id === rider);
    host.select(selectRider(rider));
    host.hold();
    drag = {
      rider,
      from: p,
      pivot: [host.poses().of(index, 'x'), host.poses().of(index, 'y')],
      gesture: undefined,
    };
  };

  return {
    down(p) {
      const scene = host.scene();
      const hits = hitsAt(scene, { ...NOTHING, riders: host.selection().riders }, host.poses(), p);
      const chosen = host.selection().riders[0];
      const riders = hits.filter((hit) => hit.kind === 'rider');
      const hit = riders.find((one) => one.rider === chosen) ?? riders[0];
      const flag = hits.find((one) => one.kind === 'mark');
      const on = hits.find((one) => one.kind === 'guide');
      if (hit) take(hit.rider, p);
      else if (flag?.kind === 'mark') {
        host.select(selectRider(flag.rider, [flag.mark]));
        host.goTo(timeOfMark(scene, flag.rider, flag.mark));
      } else if (on?.kind === 'guide' && chosen !== undefined) pressGuide(host, on.guide, chosen, [p.x, p.y]);
      else if (on) host.tell('Select a rider first: pressing the guide puts it there at the playhead.');
      else host.select(NOTHING);
    },
    move(p) {
      if (!drag) return;
      if (!drag.gesture && Math.hypot(p.x - drag.from.x, p.y - drag.from.y) * p.zoom <= DRAG_FROM) return;
      const args = placementAt(host, drag, p);
      const refusal = args && setDown.can(host.scene(), args);
      if (refusal) {
        host.tell(wordsOfRefusal(refusal));
        return stop();
      }
      drag.gesture ??= host.begin(`Set ${riderById(host.scene(), drag.rider)?.name ?? 'rider'} down`);
      drag.gesture.update((base) => (args ? setDown(base, args) : base));
    },
    up() {
      drag?.gesture?.commit();
      stop();
    },
    hover(p) {
      const [first] = hitsAt(host.scene(), { ...NOTHING, riders: host.selection().riders }, host.poses(), p).filter(
        (hit) => hit.kind === 'rider' || hit.kind === 'guide',
      );
      return first?.kind === 'rider' ? 'grab' : first ? 'copy' : 'default';
    },
    cancel() {
      const had = drag !== undefined;
      drag?.gesture?.cancel();
      stop();
      return had;
    },
    /** Arrows set the selected rider down a px further at the playhead, with Shift ten. */
    key(key, shift = false) {
      const way = ARROWS[key];
      if (!way || drag) return false;
      const size = shift ? 10 : 1;
      return setFurther(host, [way[0] * size, way[1] * size]);
    },
  };
}

/** What a drag asks for with the pointer there: the place, drawn to what lies near, and whether the way closes by it. */
function placementAt(host: ToolHost, drag: Drag, p: Pointer): SetDown | undefined {
  const scene = host.scene();
  const rider = riderById(scene, drag.rider);
  if (!rider) return undefined;
  const raw: [number, number] = [drag.pivot[0] + p.x - drag.from.x, drag.pivot[1] + p.y - drag.from.y];
  const guide = guideById(scene, rider.guide);
  const frame = guideFrame(scene, host.poses(), guide);
  if (!frame) return undefined;
  const time = localTime(scene, rider, host.time());
  const reach = (2 * hitRadius(p.kind)) / p.zoom / frame.scale;
  const closes = closesAt(scene, rider, time, frame.toGuide(raw), reach);
  const near = closes
    ? { x: raw[0], y: raw[1], hints: [] }
    : snapped(scene, host.poses(), host.snapping(), p, raw, { riders: [rider.id] });
  const [first] = guide?.nodes ?? [];
  const [x, y] = frame.toCanvas(first ? [first.x, first.y] : [0, 0]);
  host.hint(closes && first ? [{ kind: 'point', x, y, word: 'closes here' }] : near.hints);
  const [toX, toY] = frame.toGuide([near.x, near.y]);
  return { rider: rider.id, time, to: [rounded(toX), rounded(toY)], ...newIds(scene, rider), closes };
}

/** Sets the selected rider down so many px from where it is at the playhead; a held key is one step. False without a rider. */
function setFurther(host: ToolHost, [dx, dy]: readonly [number, number]): boolean {
  const scene = host.scene();
  const rider = riderById(scene, host.selection().riders[0] ?? '');
  if (!rider) return false;
  const index = scene.riders.indexOf(rider);
  const frame = guideFrame(scene, host.poses(), guideById(scene, rider.guide));
  if (!frame) return false;
  const [x, y] = frame.toGuide([host.poses().of(index, 'x') + dx, host.poses().of(index, 'y') + dy]);
  const to = [rounded(x), rounded(y)] as const;
  const args = { rider: rider.id, time: localTime(scene, rider, host.time()), to, ...newIds(scene, rider) };
  const refusal = setDown.can(scene, args);
  if (refusal) host.tell(wordsOfRefusal(refusal));
  else
    host.inRun(`set down ${rider.id} at ${args.time}`, () =>
      host.do(`Set ${rider.name} down`, (base) => setDown(base, args)),
    );
  return true;
}

const ARROWS: Readonly<Record<string, readonly [number, number]>> = {
  ArrowLeft: [-1, 0],
  ArrowRight: [1, 0],
  ArrowUp: [0, -1],
  ArrowDown: [0, 1],
};

/** A thousandth of a pixel is finer than any hand. */
const rounded = (value: number): number => Math.round(value * 1000) / 1000;

function newIds(scene: Scene, rider: Rider): Pick<SetDown, 'ids' | 'name' | 'color'> {
  const taken = idsIn(scene);
  const claim = (base: string): string => {
    const id = freeId(taken, base);
    taken.add(id);
    return id;
  };
  const guide = claim('guide');
  const base = rider.guide ?? guide;
  return {
    ids: {
      guide,
      nodes: [claim(`${base}-n1`), claim(`${base}-n2`)],
      marks: [claim(`${rider.id}-m1`), claim(`${rider.id}-m2`)],
    },
    name: `Way of ${rider.name}`,
    color: nextColor(scene),
  };
}

export const settingDown = {
  name: 'set-down',
  label: 'Set down',
  about: 'Puts the selected rider where it should be at one time after another',
  also: 'keyframe position place animate move over time pose to pose',
  line: 'Drag a rider to where it should be at the playhead; press a guide to be there then.',
  make: (host) => setDownTool(host),
} as const satisfies CanvasTool;
