import { emptyFrame, guideById, loopLength, pathOfGuide, motionAsSet, type Rider, type Scene } from '@pace-line/core';

/** A rider's speed along its guide as bands beside the line, canvas px: each as wide as it is fast there. */
export interface Band {
  /** Outlines of what is run forward, and of what backs up. */
  readonly forward: string;
  readonly back: string;
  /** px/s where the band is widest. */
  readonly fastest: number;
}

/** Looks at the loop. */
const LOOKS = 480;

/** Screen px that the band reaches to its side of the guide where it is fastest. */
const WIDEST = 26;

/** Of a speed that jumps up to no end nothing can be drawn. */
const MOST = 1e6;

interface Look {
  readonly x: number;
  readonly y: number;
  readonly nx: number;
  readonly ny: number;
  readonly speed: number;
}

export function bandOf(scene: Scene, rider: Rider, zoom: number): Band {
  const guide = guideById(scene, rider.guide);
  const moving = motionAsSet(scene, rider.id);
  if (!guide || !moving) return { forward: '', back: '', fastest: 0 };
  const path = pathOfGuide(guide);
  const length = loopLength(scene.clock);
  const frame = emptyFrame();
  const looks = Array.from({ length: LOOKS + 1 }, (_, k): Look => {
    const [time, side] = k === LOOKS ? [length, -1 as const] : [(length * k) / LOOKS, 1 as const];
    path.frameAtDistance(moving.footAt(time, side), 1, frame);
    const speed = moving.speedAt(time, side);
    const held = Number.isFinite(speed) ? Math.min(MOST, Math.max(-MOST, speed)) : 0;
    return { x: frame.x, y: frame.y, nx: frame.normalX, ny: frame.normalY, speed: held };
  });
  const fastest = looks.reduce((most, { speed }) => Math.max(most, Math.abs(speed)), 0);
  if (fastest < 1e-6) return { forward: '', back: '', fastest: 0 };
  const wide = WIDEST / zoom / fastest;
  const runs: Record<'forward' | 'back', string[]> = { forward: [], back: [] };
  let run: Look[] = [];
  const close = (): void => {
    const [first] = run;
    if (first && run.length > 1) runs[run.some(({ speed }) => speed < 0) ? 'back' : 'forward'].push(outline(run, wide));
    run = [];
  };
  looks.forEach((look, i) => {
    const before = looks[i - 1];
    // A step that its speed does not explain is a jump, or the start of another round.
    const gone = before ? Math.hypot(look.x - before.x, look.y - before.y) : 0;
    const meant = before ? (Math.max(Math.abs(look.speed), Math.abs(before.speed)) * length) / LOOKS : 0;
    if (before && (gone > 3 * meant + 2 || look.speed * before.speed < 0)) close();
    run.push(look);
  });
  close();
  return { forward: runs.forward.join(''), back: runs.back.join(''), fastest };
}

/** There along the line, and back at its side. */
function outline(run: readonly Look[], wide: number): string {
  const n = (value: number): number => Math.round(value * 10) / 10;
  const there = run.map(({ x, y }) => `${n(x)} ${n(y)}`);
  const back = run
    .map(({ x, y, nx, ny, speed }) => `${n(x + nx * speed * wide)} ${n(y + ny * speed * wide)}`)
    .reverse();
  return `M${[...there, ...back].join('L')}Z`;
}
