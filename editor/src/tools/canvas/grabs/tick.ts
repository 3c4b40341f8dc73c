import {
  foldingOf,
  foldTime,
  guideById,
  loopLength,
  nearestOnPath,
  pathOfGuide,
  motionAsSet,
  prepare,
  riderById,
  setEase,
  withShapingAt,
  withShapingPoint,
  type CompiledEase,
  type Ease,
  type Guide,
  type Rider,
  type Scene,
} from '@pace-line/core';
import { selectRider } from '../../../document/index.ts';
import { guideFrame } from '../../guide-frame.ts';
import { legAt } from '../../legs.ts';
import { pressGuide } from '../be-there.ts';
import { RANKS, type Grab, type Hit } from './grab.ts';

/** Frames that are looked through for a tick. */
const MOST_FRAMES = 4000;

/** px along a guide between two places of it, by the shorter way round. */
function wayBetween(guide: Guide, from: number, to: number): number {
  const { length, isClosed } = pathOfGuide(guide);
  const way = to - from;
  return isClosed && length > 0 ? way - length * Math.round(way / length) : way;
}

/** The frame at which a rider stands nearest to a place of its guide: its time, s, and how far from there, px. */
function frameNear(
  scene: Scene,
  rider: Rider,
  guide: Guide,
  distance: number,
): { readonly time: number; readonly gap: number } | undefined {
  const moving = motionAsSet(scene, rider.id);
  if (!moving) return undefined;
  const frames = Math.min(MOST_FRAMES, Math.round(loopLength(scene.clock) * scene.clock.fps));
  let best: { time: number; gap: number } | undefined;
  for (let i = 0; i < frames; i++) {
    const time = i / scene.clock.fps;
    const gap = Math.abs(wayBetween(guide, moving.footAt(time), distance));
    if (!best || gap < best.gap) best = { time, gap };
  }
  return best;
}

/** A leg that stays as it is beyond a reach to both sides of a share of its time: by a point of its own on each. 0: the leg goes along as a whole. */
function fencedAbout(ease: Ease, share: number, reach: number, as: CompiledEase | undefined): Ease {
  if (!(reach > 0)) return ease;
  const fences = [share - reach, share + reach].filter((at) => at > 0 && at < 1);
  return fences.reduce<Ease>((made, at, i) => withShapingPoint(made, at, i === 0 ? as : undefined).ease, ease);
}

/** A spacing tick of the selected rider, taken with Alt: drawn along the guide, the rider is brought there at that frame, and the leg bends to do so. Pressed only, the rider is there at the playhead. */
export const tick: Grab<Hit & { kind: 'tick' }> = {
  kind: 'tick',
  find({ scene, selection, poses, pointer, reach, take }) {
    const rider = pointer.alt ? riderById(scene, selection.riders[0] ?? '') : undefined;
    const guide = guideById(scene, rider?.guide ?? null);
    const lying = guideFrame(scene, poses, guide);
    const near = guide && lying && nearestOnPath(pathOfGuide(guide), ...lying.toGuide([pointer.x, pointer.y]));
    if (!rider || !near || rider.locked || rider.pace.recipe) return;
    const at = lying.toCanvas([near.x, near.y]);
    const gap = Math.hypot(at[0] - pointer.x, at[1] - pointer.y);
    if (gap > reach) return;
    const frame = frameNear(scene, rider, guide, near.distance);
    const time = frame && frame.gap * lying.scale <= reach ? frame.time : null;
    take({ kind: 'tick', rider: rider.id, time, at }, RANKS.tick, frame?.gap ?? gap);
  },
  key: ({ time, at }) => `tick ${time ?? at.join(' ')}`,
  cursor: () => 'grab',
  holdsTime: () => true,
  isSelected: (selection, hit) => selection.riders.includes(hit.rider),
  select: (_before, hit) => selectRider(hit.rider),
  clicked(host, { rider: id, at }) {
    const rider = riderById(host.scene(), id);
    if (rider?.guide != null) pressGuide(host, rider.guide, id, at);
  },
  begin(host, hit, pressed) {
    const scene = host.scene();
    const rider = riderById(scene, hit.rider);
    const guide = guideById(scene, rider?.guide ?? null);
    const lying = guideFrame(scene, host.poses(), guide);
    if (!rider || !guide || !lying || hit.time === null) return undefined;
    const path = pathOfGuide(guide);
    const { local } = foldTime(hit.time, foldingOf(rider, scene.clock));
    const leg = legAt(guide, rider, local);
    const start = nearestOnPath(path, ...lying.toGuide([pressed.x, pressed.y]))?.distance;
    if (!leg || start === undefined) return undefined;
    const as = prepare(scene).rider(rider.id)?.line?.easeAfter?.(leg.index);
    const share = (local - leg.leaves) / leg.lasts;
    const reach = host.options().tickReach / scene.clock.fps / leg.lasts;
    const fenced = fencedAbout(leg.mark.ease, share, reach, as);
    const { ease, index } = withShapingPoint(fenced, share, fenced === leg.mark.ease ? as : undefined);
    const point = ease.points[index];
    return {
      gesture: host.begin('Move spacing tick'),
      follow(base, _from, to) {
        const near = nearestOnPath(path, ...lying.toGuide([to.x, to.y]));
        if (!near || !point) return base;
        const way = point.way + wayBetween(guide, start, near.distance) / leg.way;
        const bent = withShapingAt(ease, index, point.time, way);
        return setEase(base, { rider: rider.id, marks: [leg.mark.id], ease: bent });
      },
    };
  },
};
