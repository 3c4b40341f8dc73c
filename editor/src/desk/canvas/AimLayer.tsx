import { useCallback, useEffect, useRef, type KeyboardEvent, type PointerEvent, type RefObject } from 'react';
import { artOfRider, POSE, riderById, setArt, setPivot, type Art, type Scene } from '@pace-line/core';
import { useDocumentState, type Gesture } from '../../document/index.ts';
import { useFrame } from '../../scene/context.ts';
import { change } from '../actions/change.ts';
import { offerSeat } from '../actions/seating.ts';
import { useDesk } from '../context.ts';
import { useDeskView } from '../view.ts';
import { facingTowards, pivotNear } from './aim.ts';
import { ViewGroup } from './ViewGroup.tsx';

/** Screen px from the pivot to the nose's handle. */
const NOSE = 70;

type Handle = 'pivot' | 'nose';

/** Handles for pivot and facing of the selected rider's art, in a mode of their own: nothing moves them by accident. */
export function AimLayer() {
  const aiming = useDeskView((state) => state.aiming);
  const rider = useDocumentState(({ shown, selection }) => riderById(shown, selection.riders[0] ?? ''));
  const art = useDocumentState(({ shown }) => (rider ? artOfRider(shown, rider) : undefined));
  if (!aiming || !rider || !art) return null;
  return <Handles rider={rider.id} art={art} />;
}

function Handles({ rider, art }: { rider: string; art: Art }) {
  const space = useRef<SVGGElement | null>(null);
  const pivot = useRef<SVGGElement>(null);
  const nose = useRef<SVGGElement>(null);
  const pose = useRef<Float64Array | null>(null);
  const { begin, move, end, giveUp, nudge } = useAiming(rider, art, space, pose);
  useFrame(({ motion, time, scene }) => {
    const now = motion.rider(rider)?.poseAt(time);
    if (!now) return;
    // A hand may be turning it: what is rendered is told when it lets go.
    const facing = scene.art.find(({ id }) => id === art.id)?.facing ?? art.facing;
    pose.current = now;
    const { zoom } = useDeskView.getState().view;
    const at = `translate(${now[POSE.x]} ${now[POSE.y]}) scale(${1 / zoom})`;
    pivot.current?.setAttribute('transform', at);
    nose.current?.setAttribute('transform', `${at} rotate(${noseOnCanvas(now, facing)})`);
  });
  const hold = useCallback((group: SVGGElement | null) => {
    space.current = group;
  }, []);
  const handlers = (handle: Handle) => ({
    tabIndex: 0,
    role: 'button',
    onPointerDown: begin(handle),
    onPointerMove: move,
    onPointerUp: end,
    onPointerCancel: giveUp,
    onKeyDown: nudge(handle),
  });
  return (
    <svg className="overlay aim" role="group" aria-label="Pivot and facing">
      <ViewGroup hold={hold}>
        <g ref={nose} className="aim-nose" aria-label={`Facing of ${art.name}, ${art.facing}°`} {...handlers('nose')}>
          <path className="aim-casing" d={`M12 0H${NOSE}`} />
          <path className="aim-line" d={`M12 0H${NOSE}M${NOSE} -9V9M${NOSE} 0L${NOSE + 13} 0`} />
          <circle className="aim-hit" cx={NOSE + 4} r={14} />
        </g>
        <g ref={pivot} className="aim-pivot" aria-label={`Pivot of ${art.name}`} {...handlers('pivot')}>
          <circle className="aim-casing" r={8} />
          <path className="aim-line" d="M0 -13V-5M0 5V13M-13 0H-5M5 0H13" />
          <circle className="aim-line" r={8} />
          <circle className="aim-hit" r={14} />
        </g>
      </ViewGroup>
    </svg>
  );
}

const ARROWS: Readonly<Record<string, readonly [number, number]>> = {
  ArrowLeft: [-1, 0],
  ArrowRight: [1, 0],
  ArrowUp: [0, -1],
  ArrowDown: [0, 1],
};

/** px that an arrow key moves something; with Shift ten times as far. */
function stepOf({ key, shiftKey }: KeyboardEvent): readonly [number, number] {
  const [x, y] = ARROWS[key] ?? [0, 0];
  return shiftKey ? [10 * x, 10 * y] : [x, y];
}

/** What a hand, or the arrow keys, do with the handles. `space` is in canvas px, `pose` what the rider is drawn in. */
function useAiming(
  rider: string,
  art: Art,
  space: RefObject<SVGGElement | null>,
  pose: RefObject<Float64Array | null>,
) {
  const desk = useDesk();
  const set = useDeskView((state) => state.set);
  const drag = useRef<{ handle: Handle; gesture: Gesture; matrix: Float64Array; time: number } | null>(null);
  useEffect(() => {
    const onKey = (event: globalThis.KeyboardEvent): void => {
      if (event.key !== 'Escape') return;
      if (drag.current) drag.current.gesture.cancel();
      else set({ aiming: false });
      drag.current = null;
      event.stopImmediatePropagation();
    };
    window.addEventListener('keydown', onKey, true);
    return () => window.removeEventListener('keydown', onKey, true);
  }, [set]);
  const canvasPoint = (event: PointerEvent): readonly [number, number] => {
    const inverse = space.current?.getScreenCTM()?.inverse();
    const { x, y } = new DOMPoint(event.clientX, event.clientY).matrixTransform(inverse);
    return [x, y];
  };
  const begin =
    (handle: Handle) =>
    (event: PointerEvent<SVGGElement>): void => {
      if (event.button !== 0 || !pose.current) return;
      event.stopPropagation();
      event.currentTarget.setPointerCapture(event.pointerId);
      desk.playback.hold();
      const gesture = desk.doc.begin(handle === 'pivot' ? 'Move pivot' : 'Change facing');
      drag.current = { handle, gesture, matrix: pose.current.slice(), time: desk.playback.time };
    };
  const move = (event: PointerEvent<SVGGElement>): void => {
    const held = drag.current;
    if (!held) return;
    const point = canvasPoint(event);
    held.gesture.update((base: Scene) => {
      const own = riderById(base, rider);
      const before = (own && artOfRider(base, own)) ?? art;
      if (held.handle === 'nose') {
        const facing = facingTowards(held.matrix, before.pivot, point, event.shiftKey);
        return setArt(base, { id: art.id, patch: { facing } });
      }
      const next = pivotNear(
        held.matrix,
        before,
        point,
        event.ctrlKey || event.metaKey ? 0 : 9 / useDeskView.getState().view.zoom,
      );
      return setPivot(base, { id: rider, pivot: next, time: held.time });
    });
  };
  const over = (how: 'commit' | 'cancel') => (): void => {
    const { handle, gesture } = drag.current ?? {};
    gesture?.[how]();
    drag.current = null;
    desk.playback.release();
    if (how === 'commit' && handle === 'pivot') offerSeat(desk, rider);
  };
  const nudge =
    (handle: Handle) =>
    (event: KeyboardEvent): void => {
      const [dx, dy] = stepOf(event);
      if (dx === 0 && dy === 0) return;
      event.preventDefault();
      event.stopPropagation();
      const pivot = [art.pivot[0] + dx, art.pivot[1] + dy] as const;
      change(desk, handle === 'nose' ? 'Change facing' : 'Move pivot', (base) =>
        handle === 'nose'
          ? setArt(base, { id: art.id, patch: { facing: art.facing + dx + dy } })
          : setPivot(base, { id: rider, pivot, time: desk.playback.time }),
      );
    };
  return { begin, move, end: over('commit'), giveUp: over('cancel'), nudge };
}

/** The angle on the canvas, degrees, at which the nose of art drawn in a pose points. */
function noseOnCanvas(pose: Float64Array, facing: number): number {
  const [cos, sin] = [Math.cos((facing * Math.PI) / 180), Math.sin((facing * Math.PI) / 180)];
  const x = (pose[POSE.a] ?? 1) * cos + (pose[POSE.c] ?? 0) * sin;
  const y = (pose[POSE.b] ?? 0) * cos + (pose[POSE.d] ?? 1) * sin;
  return (Math.atan2(y, x) * 180) / Math.PI;
}
