import { useEffect, useRef } from 'react';
import {
  artById,
  foldingOf,
  pictureOf,
  POSE,
  prepare,
  riderById,
  shownTimes,
  type Rider,
  type Scene,
} from '@pace-line/core';
import { useDocumentState } from '../../../document/index.ts';
import { useFrame } from '../../../scene/context.ts';
import { useDeskView, usePreferences } from '../../view.ts';
import { artNodes } from '../art-gate.ts';
import { svgElement } from '../stage/svg.ts';
import { cssMatrix } from '../view-transform.ts';

/** Frames before and after the playhead at which the rider is shown. */
const FRAMES = [-12, -8, -4, 4, 8, 12];

/** Skins at most: more cover each other. */
const MOST = 60;

/** The selected rider, faded, at its marks or some frames before and after: on the canvas only. */
export function OnionLayer() {
  const { onionMarks, onionFrames } = usePreferences((state) => state.seeing);
  const rider = useDocumentState(({ shown, selection }) => riderById(shown, selection.riders[0] ?? ''));
  const art = useDocumentState(({ shown }) => (rider ? artById(shown, rider.art) : undefined));
  if (!rider || !art || (!onionMarks && !onionFrames)) return null;
  return <Onion key={`${rider.id} ${art.id}`} rider={rider.id} />;
}

/** The times at which a rider is shown beside the playhead, s, and how faint. */
function skinsOf(
  scene: Scene,
  rider: Rider,
  time: number,
  seeing: { readonly marks: boolean; readonly frames: boolean },
) {
  const { length } = prepare(scene);
  const { fps } = scene.clock;
  const folding = foldingOf(rider, scene.clock);
  const marks = seeing.marks
    ? rider.pace.marks.flatMap((mark) => shownTimes(folding, mark.time, length).map((at) => ({ at, opacity: 0.32 })))
    : [];
  const frames = seeing.frames
    ? FRAMES.map((count) => ({ at: time + count / fps, opacity: 0.42 - 0.03 * Math.abs(count) }))
    : [];
  return [...marks, ...frames].slice(0, MOST);
}

function Onion({ rider: id }: { rider: string }) {
  const view = useDeskView((state) => state.view);
  const { onionMarks, onionFrames } = usePreferences((state) => state.seeing);
  const host = useRef<SVGGElement>(null);
  const skins = useRef<{ skin: SVGGElement; pose: number }[]>([]);
  useEffect(() => () => void (skins.current = []), []);
  useFrame(({ scene, motion, time }) => {
    const rider = riderById(scene, id);
    const art = rider && artById(scene, rider.art);
    const moving = motion.rider(id);
    const group = host.current;
    if (!group || !rider || !art || !moving) return;
    const wanted = skinsOf(scene, rider, time, { marks: onionMarks, frames: onionFrames });
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
      <g ref={host} transform={cssMatrix(view)} />
    </svg>
  );
}
