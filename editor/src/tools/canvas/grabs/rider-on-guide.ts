import {
  distanceOfPlace,
  localAt,
  freeId,
  guideById,
  idsIn,
  insertMark,
  lookedAlong,
  nearestOnPath,
  pathOfGuide,
  prepare,
  retimeMark,
  setRider,
  setSeating,
  type Guide,
  type Mark,
  type Rider,
  type RiderMotion,
  type Scene,
} from '@pace-line/core';
import { frameOn, guideFrame } from '../../guide-frame.ts';
import { wayOf, type Pointer } from '../../pointer.ts';
import type { ToolHost } from '../../tool.ts';
import { keyHere } from '../key-here.ts';
import type { CanvasDrag } from './grab.ts';

/** Screen px after which a drag along the guide stays one, and one across it too. */
const TELLS = 5;

type Way = 'along' | 'across';

/**
 * A drag of a rider on its guide: along it, the mark at the playhead slides, one is set where there is none; across it, lift changes. With Alt it goes where the pointer goes, by lift
 * and lead. Where lift has keys, the one at the playhead is set.
 */
export function dragOnGuide(host: ToolHost, rider: Rider, pivot: readonly [number, number]): CanvasDrag | undefined {
  const scene = host.scene();
  const guide = guideById(scene, rider.guide);
  const moving = prepare(scene).rider(rider.id);
  const time = host.time();
  const lying = guideFrame(scene, host.poses(), guide);
  if (!guide || !moving?.path || !lying) return undefined;
  // Where a carried rider's guide does not go with its carrier, nothing of it lies as it is drawn.
  const isOnIt = (rider.carrier?.rider ?? null) === guide.carrier;
  const foot = moving.footAt(time);
  const { tangentX, tangentY, x, y } = moving.path.frameAtDistance(foot);
  const [liftX, liftY] = moving.liftWayAt(foot);
  let way: Way | undefined;
  return {
    gesture: host.begin(`Move ${rider.name} on its guide`),
    follow(base, a, b) {
      const [dx, dy] = wayOf(a, b);
      const freely = (): Scene => {
        const point = [pivot[0] + dx, pivot[1] + dy] as const;
        return lifted(host, base, rider, setSeating(base, { rider: rider.id, seating: 'keep', point, time }));
      };
      if (b.alt || !isOnIt) return freely();
      const [u, v] = lying.wayToGuide([dx, dy]);
      const [along, across] = [u * tangentX + v * tangentY, u * liftX + v * liftY];
      const now = way ?? (Math.abs(along) > Math.abs(across) ? 'along' : 'across');
      if (Math.hypot(dx, dy) * b.zoom > TELLS) way = now;
      if (now === 'across') {
        const lift = rider.lift + across / moving.depthAt(foot);
        return lifted(host, base, rider, setRider(base, { id: rider.id, patch: { lift: rounded(lift) } }));
      }
      // Where no mark can be set, as in a hold, lead does it.
      return slid(base, { rider, guide, moving, time, foot, to: { ...b, x: x + u, y: y + v } }) ?? freely();
    },
  };
}

/** A drag with Ctrl: the rider stands where the pointer is along its guide for as long as it is held, and nothing of it is kept. */
export function lookAlong(host: ToolHost, rider: Rider): CanvasDrag | undefined {
  const path = prepare(host.scene()).rider(rider.id)?.path;
  const frame = frameOn(host.scene(), host.poses(), rider.carrier?.rider ?? null);
  if (!path || !frame) return undefined;
  const gesture = host.glance();
  return {
    gesture,
    follow(base, _, { x, y }) {
      const near = nearestOnPath(path, ...frame.toGuide([x, y]));
      return near ? lookedAlong(base, { rider: rider.id, foot: near.distance }) : base;
    },
  };
}

const rounded = (value: number): number => Math.round(value * 1000) / 1000;

/** What was done to lift and lead of a rider, done to the keys at the playhead of those that have any. */
function lifted(host: ToolHost, base: Scene, rider: Rider, changed: Scene): Scene {
  const now = changed.riders.find(({ id }) => id === rider.id);
  if (!now || (rider.keys.lift.length === 0 && rider.keys.lead.length === 0)) return changed;
  const shifted = setRider(base, { id: rider.id, patch: { shift: now.shift } });
  return (['lift', 'lead'] as const).reduce((sum, channel): Scene => {
    const way = now[channel] - rider[channel];
    if (rider.keys[channel].length === 0) return setRider(sum, { id: rider.id, patch: { [channel]: now[channel] } });
    const one = sum.riders.find(({ id }) => id === rider.id) ?? rider;
    return way === 0 ? sum : keyHere(host, sum, one, channel, (value) => rounded(value + way));
  }, shifted);
}

interface Slide {
  readonly rider: Rider;
  readonly guide: Guide;
  readonly moving: RiderMotion;
  readonly time: number;
  readonly foot: number;
  readonly to: Pointer;
}

/** The mark at the playhead at the place nearest to the pointer, on the lap that the rider is on; undefined where there can be none. */
function slid(base: Scene, { rider, guide, moving, time, foot, to }: Slide): Scene | undefined {
  const path = pathOfGuide(guide);
  const near = nearestOnPath(path, to.x, to.y);
  if (!near) return undefined;
  const lap = path.isClosed ? Math.round((foot - near.distance) / path.length) * path.length : 0;
  const lead = foot - moving.distanceAt(time);
  const local = localAt(base, rider, time);
  const there = markAt(rider, local, 0.5 / base.clock.fps);
  const id = there?.id ?? freeId(idsIn(base), `${rider.id}-m`);
  const args = { rider: rider.id, id, time: local };
  if (!there && insertMark.can(base, args)) return undefined;
  const marked = there ? base : insertMark(base, args);
  const mark = marked.riders.find((one) => one.id === rider.id)?.pace.marks.find((one) => one.id === id);
  if (!mark) return undefined;
  const before = distanceOfPlace(guide, path, mark.place);
  const goal = before + (near.distance + lap - lead - moving.distanceAt(time));
  return retimeMark(marked, { rider: rider.id, mark: id, time: mark.time, distance: goal });
}

/** The mark of a local time: within half a frame of it, or resting over it. */
const markAt = ({ pace }: Rider, local: number, within: number): Mark | undefined =>
  pace.marks.find((mark) => local >= mark.time - within && local <= mark.time + mark.dwell + within);
