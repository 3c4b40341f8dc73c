import { useCallback, useEffect, useRef } from 'react';
import {
  artById,
  foldingOf,
  pictureOf,
  POSE,
  POSE_SIZE,
  prepare,
  riderById,
  shownTimes,
  type Rider,
  type Scene,
} from '@pace-line/core';
import { useDocumentState } from '../../document/index.ts';
import { useFrame } from '../../scene/context.ts';
import { usePreferences } from '../view.ts';
import { artNodes } from '../../figures/stage/art-gate.ts';
import { svgElement } from '../../figures/stage/svg.ts';
import { ViewGroup } from './ViewGroup.tsx';

/** Opacities of the nearest and of the farthest skin. */
const [NEAR, FAR] = [0.34, 0.08];

/** So many skins before and as many after the playhead, at a distance of so many frames. */
const framesOf = ({ count, step }: { readonly count: number; readonly step: number }) =>
  Array.from({ length: count }, (_, i) => i + 1).flatMap((n) => {
    const opacity = count > 1 ? NEAR + ((FAR - NEAR) * (n - 1)) / (count - 1) : NEAR;
    return [-n, n].map((side) => ({ frames: side * step, opacity }));
  });

/** Skins at most: more cover each other. */
const MOST = 60;

/** The selected rider, faded, at its marks or some frames before and after: on the canvas only. */
export function OnionLayer() {
  const { onionMarks, onionFrames, onionWays } = usePreferences((state) => state.seeing);
  const rider = useDocumentState(({ shown, selection }) => riderById(shown, selection.riders[0] ?? ''));
  const art = useDocumentState(({ shown }) => (rider ? artById(shown, rider.art) : undefined));
  if (!rider || !art || (!onionMarks && !onionFrames && !onionWays)) return null;
  return <Onion key={`${rider.id} ${art.id}`} rider={rider.id} />;
}

/** The times at which a rider is shown beside the playhead, s, and how faint. */
function skinsOf(
  scene: Scene,
  rider: Rider,
  time: number,
  seeing: {
    readonly marks: boolean;
    readonly frames: ReturnType<typeof framesOf>;
    readonly ways: boolean;
  },
) {
  const { length } = prepare(scene);
  const { fps } = scene.clock;
  const folding = foldingOf(rider, scene.clock);
  const marks = seeing.marks
    ? rider.pace.marks.flatMap((mark) => shownTimes(folding, mark.time, length).map((at) => ({ at, opacity: 0.32 })))
    : [];
  const frames = seeing.frames.map(({ frames: count, opacity }) => ({ at: time + count / fps, opacity }));
  const ways = seeing.ways ? timesApart(scene, rider).map((at) => ({ at, opacity: 0.28 })) : [];
  return [...marks, ...frames, ...ways].slice(0, MOST);
}

/** Skins at equal distances in all. */
const WAYS = 16;

/** Looks for the times between which a rider covers equal ways. */
const LOOKS = 2000;

/** Times within the loop at which a rider has covered equal ways on the canvas since the one before, s. */
function timesApart(scene: Scene, { id }: Rider): readonly number[] {
  const known = apart.get(scene)?.get(id);
  if (known) return known;
  const { length } = prepare(scene);
  const moving = prepare(scene).rider(id);
  const ways = [0];
  const pose = new Float64Array(POSE_SIZE);
  let [x, y] = [0, 0];
  for (let i = 0; i <= LOOKS && moving; i++) {
    moving.poseAt((i * length) / LOOKS, i === LOOKS ? -1 : 1, pose);
    const [nowX, nowY] = [pose[POSE.x] ?? 0, pose[POSE.y] ?? 0];
    if (i > 0) ways.push((ways[i - 1] ?? 0) + Math.hypot(nowX - x, nowY - y));
    [x, y] = [nowX, nowY];
  }
  const whole = ways[ways.length - 1] ?? 0;
  const times: number[] = [];
  if (whole > 1)
    for (let i = 0; i < ways.length; i++)
      if ((ways[i] ?? 0) >= (times.length * whole) / WAYS) times.push((i * length) / LOOKS);
  const all = apart.get(scene) ?? new Map<string, readonly number[]>();
  apart.set(scene, all.set(id, times));
  return times;
}

const apart = new WeakMap<Scene, Map<string, readonly number[]>>();

function Onion({ rider: id }: { rider: string }) {
  const { onionMarks, onionFrames, onionWays } = usePreferences((state) => state.seeing);
  const onion = usePreferences((state) => state.onion);
  const host = useRef<SVGGElement | null>(null);
  const hold = useCallback((group: SVGGElement | null) => {
    host.current = group;
  }, []);
  const skins = useRef<{ skin: SVGGElement; pose: number }[]>([]);
  useEffect(() => () => void (skins.current = []), []);
  useFrame(({ scene, motion, time }) => {
    const rider = riderById(scene, id);
    const art = rider && artById(scene, rider.art);
    const moving = motion.rider(id);
    const group = host.current;
    if (!group || !rider || !art || !moving) return;
    const wanted = skinsOf(scene, rider, time, {
      marks: onionMarks,
      frames: onionFrames ? framesOf(onion) : [],
      ways: onionWays,
    });
    while (skins.current.length > wanted.length) skins.current.pop()?.skin.remove();
    while (skins.current.length < wanted.length) {
      const skin = svgElement('g');
      group.append(skin);
      skins.current.push({ skin, pose: -1 });
    }
    wanted.forEach(({ at, opacity }, i) => {
      const pose = moving.poseAt(at);
      const n = (key: number): string => (pose[key] ?? 0).toFixed(3);
      const one = skins.current[i];
      if (!one) return;
      const shown = pose[POSE.pose] ?? 1;
      if (one.pose !== shown) {
        const picture = pictureOf(art, shown);
        one.skin.replaceChildren(...(picture ? [artNodes(picture, scene.assets)] : []));
        one.pose = shown;
      }
      one.skin.setAttribute('transform', `matrix(${n(0)} ${n(1)} ${n(2)} ${n(3)} ${n(4)} ${n(5)})`);
      one.skin.setAttribute('opacity', (opacity * (pose[POSE.opacity] ?? 1)).toFixed(3));
    });
  });
  return (
    <svg className="overlay onion" aria-hidden>
      <ViewGroup hold={hold} />
    </svg>
  );
}
