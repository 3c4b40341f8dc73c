import { useEffect, useMemo, useRef } from 'react';
import { pathData, Poses, prepare, type Scene } from '@pace-line/core';
import { useDocumentState } from '../../document/index.ts';
import { useFrame } from '../../scene/context.ts';
import { useDeskView } from '../view.ts';
import { createSvgStage, type Stage } from '../../figures/stage/stage.ts';
import { ViewGroup } from './ViewGroup.tsx';

/** An earlier state of the scene, faint and in motion: what it and the present have in common lies on top of each other. */
export function GhostLayer() {
  const ghost = useDeskView((state) => state.ghost);
  if (!ghost) return null;
  return <Ghost key={ghost.key} scene={ghost.scene} />;
}

function Ghost({ scene }: { scene: Scene }) {
  const host = useRef<HTMLDivElement>(null);
  const stage = useRef<Stage | null>(null);
  const motion = useMemo(() => prepare(scene), [scene]);
  const poses = useMemo(() => new Poses(motion.riders.length), [motion]);
  const present = useDocumentState((state) => state.shown);
  const others = useMemo(() => othersIn(scene, present), [scene, present]);
  const word = others.join(' ');
  // Paper of its own would hide what lies below; what has not changed lies on what is there.
  const bare = useMemo(() => {
    const shown = new Set(word.split(' '));
    const riders = scene.riders.map((rider) => (shown.has(rider.id) ? rider : { ...rider, visible: false }));
    return { ...scene, riders, canvas: { ...scene.canvas, background: null } };
  }, [scene, word]);
  useEffect(() => {
    if (!host.current) return;
    const made = createSvgStage(host.current, false);
    stage.current = made;
    return () => made.destroy();
  }, []);
  useFrame((frame) => {
    stage.current?.setView(useDeskView.getState().view);
    stage.current?.draw({ ...frame, scene: bare, motion, poses: motion.poseAt(frame.time, poses) });
  });
  return (
    <div className="ghost" aria-hidden>
      <svg className="overlay">
        <ViewGroup>
          {scene.guides
            .filter((guide) => !present.guides.includes(guide))
            .map((guide) => (
              <path key={guide.id} className="ghost-line" d={pathData(guide.nodes, guide.closed)} />
            ))}
        </ViewGroup>
      </svg>
      <div className="stage" ref={host} />
    </div>
  );
}

/** Ids of the riders that move or look otherwise than they do now, or are not there any more. */
function othersIn(scene: Scene, present: Scene): string[] {
  const [was, now] = [prepare(scene), prepare(present)];
  const art = new Map(present.art.map((one) => [one.id, one]));
  return scene.riders.flatMap((rider) => {
    const drawn = scene.art.find(({ id }) => id === rider.art);
    const isSame = was.rider(rider.id) === now.rider(rider.id) && art.get(rider.art) === drawn;
    return isSame ? [] : [rider.id];
  });
}
