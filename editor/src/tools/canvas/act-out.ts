import { actedMotion, freeId, idsIn, riderById, rideActed, type Acted, type HandMoment } from '@pace-line/core';
import { selectRider } from '../../document/index.ts';
import { hitsAt } from './hit.ts';
import { guideFrom } from './new-guide.ts';
import type { Pointer } from '../pointer.ts';
import type { CanvasTool, Tool, ToolHost } from '../tool.ts';

/** s. Length of a beat of the count-in. */
export const BEAT = 0.5;

/**
 * Acting a motion out: press, wait for the count-in, and move as the thing should move. The way becomes a guide, its timing the pace line of the
 * selected rider (or of the one that was pressed).
 */
export function actOutTool(host: ToolHost, done: () => void): Tool {
  let rider: string | undefined;
  let pressedAt = 0;
  let hand: HandMoment[] = [];
  let running = false;
  let last: Pointer | undefined;
  let stopClock: (() => void) | undefined;

  const reset = (): void => {
    if (running) host.endRun();
    stopClock?.();
    stopClock = undefined;
    rider = undefined;
    hand = [];
    running = false;
    host.preview(null);
  };

  const take = (p: Pointer): void => {
    last = p;
    const { countIn, actSpeed } = host.options();
    const waited = p.time - pressedAt;
    const left = Math.ceil(countIn - waited / BEAT);
    if (left > 0) {
      hand = [{ x: p.x, y: p.y, time: 0 }];
      host.preview({ kind: 'stroke', points: [[p.x, p.y]], note: String(left) });
      return;
    }
    if (!running) host.runFrom(0, actSpeed);
    running = true;
    hand.push({ x: p.x, y: p.y, time: (waited - countIn * BEAT) * actSpeed });
  };

  return {
    down(p) {
      rider = actorAt(host, p);
      if (rider === undefined) return;
      host.select(selectRider(rider));
      pressedAt = p.time;
      hand = [{ x: p.x, y: p.y, time: 0 }];
      take(p);
      // A hand that waits sends nothing: the count goes on by the clock.
      stopClock = host.every(50, () => {
        if (last && !running) take({ ...last, time: host.now() });
      });
    },
    move(p, passed = [p]) {
      if (rider === undefined) return;
      for (const one of passed) take(one);
      if (running)
        host.preview({
          kind: 'stroke',
          points: hand.map(({ x, y }) => [x, y] as const),
          note: `${hand.at(-1)?.time.toFixed(2) ?? ''} s`,
        });
    },
    up(p) {
      if (rider === undefined) return;
      if (running) take(p);
      const id = rider;
      const moments = hand;
      const took = running;
      reset();
      if (!took) return host.tell('Keep the button down until the count is over, then move.');
      const acted = actedMotion(moments, { smoothing: host.options().actSmoothing });
      if (!acted) return host.tell('There was hardly any movement; nothing was changed.');
      const guide = putActed(host, id, acted);
      host.keepStroke({ kind: 'acted', guide, rider: id, hand: moments });
      done();
    },
    hover: () => 'crosshair',
    cancel() {
      const had = rider !== undefined;
      reset();
      return had;
    },
    key: () => false,
  };
}

/** Who acts: the rider that is pressed, or else the selected one; undefined, and said why, where none can. */
function actorAt(host: ToolHost, p: Pointer): string | undefined {
  const hit = hitsAt(host.scene(), host.selection(), host.poses(), p).find((one) => one.kind === 'rider');
  const id = hit?.kind === 'rider' ? hit.rider : host.selection().riders[0];
  const isLocked = riderById(host.scene(), id ?? '')?.locked === true;
  if (id === undefined) host.tell('Select a rider first, or press on one: the motion is acted out for it.');
  else if (isLocked) host.tell('That rider is locked.');
  return isLocked ? undefined : id;
}

function putActed(host: ToolHost, rider: string, acted: Acted): string {
  const scene = host.scene();
  const name = riderById(scene, rider)?.name ?? 'rider';
  const guide = guideFrom(scene, acted.nodes, false, `Way of ${name}`);
  const ids = freeId(idsIn(scene), `${rider}-a`);
  host.do(
    `Act out ${name}`,
    (before) => rideActed(before, { rider, guide, marks: acted.marks, start: 0, ids }),
    selectRider(rider),
  );
  return guide.id;
}

export const actingOut = {
  name: 'act-out',
  label: 'Act out',
  about: 'Records a motion of the hand: shape and pace at once',
  also: 'record perform live capture puppeteer gesture motion mouse',
  line: 'Press, wait for the count, and move as the rider should move; let go to end.',
  make: (host) => actOutTool(host, () => undefined),
} as const satisfies CanvasTool;
