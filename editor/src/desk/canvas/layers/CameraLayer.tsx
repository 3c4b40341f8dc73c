import { useRef } from 'react';
import { cameraOf, POSE, POSE_SIZE } from '@pace-line/core';
import { useDocumentState } from '../../../document/index.ts';
import { useFrame } from '../../../scene/context.ts';
import { useDeskView } from '../../view.ts';
import { cssMatrix } from '../view-transform.ts';

/** The outline of what the scene's camera sees, with a tick at its upper edge; not in what is sent. */
export function CameraLayer() {
  const isThere = useDocumentState(({ shown }) => shown.camera !== null);
  return isThere ? <CameraOutline /> : null;
}

function CameraOutline() {
  const view = useDeskView((state) => state.view);
  const outline = useRef<SVGPathElement>(null);
  useFrame(({ scene, motion, poses }) => {
    const row = cameraOf(scene, motion) * POSE_SIZE;
    if (row < 0) return;
    const at = (key: number): number => poses.data[row + key] ?? 0;
    const [cos, sin] = [Math.cos(at(POSE.angle)), Math.sin(at(POSE.angle))];
    const [w, h] = [
      (scene.canvas.width / 2) * Math.abs(at(POSE.scaleX)),
      (scene.canvas.height / 2) * Math.abs(at(POSE.scaleY)),
    ];
    const point = (u: number, v: number): string =>
      `${(at(POSE.x) + cos * u - sin * v).toFixed(2)} ${(at(POSE.y) + sin * u + cos * v).toFixed(2)}`;
    const box = `M${point(-w, -h)}L${point(w, -h)}L${point(w, h)}L${point(-w, h)}Z`;
    const tick = `M${point(0, -h)}L${point(0, -h * 0.93)}`;
    outline.current?.setAttribute('d', box + tick);
  });
  return (
    <svg className="overlay camera-frame" aria-hidden>
      <path ref={outline} transform={cssMatrix(view)} />
    </svg>
  );
}
