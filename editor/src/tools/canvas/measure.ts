import { nearestOnPath, pathOfGuide, type Guide, type Nearest, type Scene } from '@pace-line/core';
import { snapped } from '../snap/snap.ts';
import { hitRadius, wayOf, type Pointer } from '../pointer.ts';
import type { CanvasTool, Tool, ToolHost } from '../tool.ts';
import { isInHand } from '../in-hand.ts';

interface Spot {
  readonly x: number;
  readonly y: number;
  readonly guide: Guide | undefined;
  readonly near: Nearest | undefined;
}

/** A number with so many digits; what is rounded to nothing has no sign. */
const fixed = (value: number, digits: number): string => value.toFixed(digits).replace(/^-(?=[0.]*$)/, '');

const px = (value: number): string => `${fixed(value, 1)} px`;

/** Measuring: hover a guide for its lengths; press and drag for the straight way, and along the guide where both ends lie on one. */
export function measureTool(host: ToolHost): Tool {
  let from: Spot | undefined;

  const spotAt = (p: Pointer, x = p.x, y = p.y): Spot => {
    const found = guideUnder(host.scene(), x, y, hitRadius(p.kind) / p.zoom);
    if (found) return { x: found.near.x, y: found.near.y, ...found };
    const free = snapped(host.scene(), host.poses(), host.snapping(), p, [x, y]);
    host.hint(free.hints);
    return { x: free.x, y: free.y, guide: undefined, near: undefined };
  };

  return {
    down(p) {
      from = spotAt(p);
    },
    move(p) {
      if (!from) return;
      const [dx, dy] = wayOf(from, p);
      const to = spotAt(p, from.x + dx, from.y + dy);
      const way = Math.hypot(to.x - from.x, to.y - from.y);
      const angle = (Math.atan2(to.y - from.y, to.x - from.x) * 180) / Math.PI;
      const lines = [
        `straight ${px(way)}`,
        `${fixed(angle, 1)}°  ·  ${fixed(to.x - from.x, 0)}, ${fixed(to.y - from.y, 0)}`,
      ];
      const along = alongBetween(from, to);
      if (along) lines.push(`along ${px(along.length)}`);
      host.preview({ kind: 'measure', from: [from.x, from.y], to: [to.x, to.y], lines, along: along?.points ?? [] });
    },
    up() {
      from = undefined;
    },
    hover(p) {
      const { guide, near, x, y } = spotAt(p);
      if (guide && near) {
        const path = pathOfGuide(guide);
        const span = path.spans[near.span];
        host.preview({
          kind: 'measure',
          from: [x, y],
          to: [x, y],
          lines: [
            `${guide.name}: ${px(path.length)}`,
            `span ${near.span + 1}: ${px(span?.length ?? 0)}`,
            `${px(near.distance)} from its start`,
          ],
          along: [],
        });
      }
      return 'crosshair';
    },
    cancel() {
      const had = from !== undefined;
      from = undefined;
      host.preview(null);
      host.hint([]);
      return had;
    },
    key: () => false,
  };
}

function guideUnder(scene: Scene, x: number, y: number, reach: number): { guide: Guide; near: Nearest } | undefined {
  let best: { guide: Guide; near: Nearest } | undefined;
  for (const guide of scene.guides) {
    if (!isInHand(guide)) continue;
    const near = nearestOnPath(pathOfGuide(guide), x, y, reach);
    if (near && near.gap <= reach && (!best || near.gap < best.near.gap)) best = { guide, near };
  }
  return best;
}

/** The piece of a guide between two places on it: on a closed one the shorter way round. */
function alongBetween(a: Spot, b: Spot): { length: number; points: [number, number][] } | undefined {
  if (!a.guide || a.guide.id !== b.guide?.id || !a.near || !b.near) return undefined;
  const path = pathOfGuide(a.guide);
  let from = a.near.distance;
  let way = b.near.distance - from;
  if (path.isClosed && Math.abs(way) > path.length / 2) way -= Math.sign(way) * path.length;
  if (way < 0) {
    from += way;
    way = -way;
  }
  const count = Math.max(2, Math.min(400, Math.round(way / 4)));
  const points = Array.from({ length: count + 1 }, (_, i): [number, number] => {
    const { x, y } = path.frameAtDistance(from + (way * i) / count);
    return [x, y];
  });
  return { length: way, points };
}

export const measuring = {
  name: 'measure',
  label: 'Measure',
  about: 'Measures straight ways and ways along guides',
  also: 'ruler distance between two points length',
  line: 'Point at a guide for its lengths; drag between two points.',
  make: (host) => measureTool(host),
} as const satisfies CanvasTool;
