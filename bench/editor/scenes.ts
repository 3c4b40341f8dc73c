import type { Scene } from '@pace-line/core';
import { sceneOf, riderOn } from '../../core/src/testing/scenes.ts';

/** A drawing of twelve elements. */
export const ART = {
  id: 'float',
  name: 'Float',
  kind: 'svg',
  markup:
    '<svg xmlns="http://www.w3.org/2000/svg" width="60" height="40" viewBox="0 0 60 40" overflow="visible"><path d="M2 24 58 24 48 38H12Z" fill="#8C2F2B"/><rect x="16" y="12" width="26" height="12" fill="#FBF3DF"/>' +
    Array.from({ length: 4 }, (_, i) => `<rect x="${18 + 6 * i}" y="15" width="4" height="4" fill="#F2B84B"/>`).join(
      '',
    ) +
    '<circle cx="46" cy="18" r="4" fill="#1F2933"/><path d="M46 14V4" stroke="#1F2933" stroke-width="2"/><path d="M46 4 56 8 46 11Z" fill="#0B7A75"/><path d="M6 28H54" stroke="#E7C99A" stroke-width="1.5"/><circle cx="20" cy="31" r="1.5" fill="#E7C99A"/><circle cx="40" cy="31" r="1.5" fill="#E7C99A"/></svg>',
  width: 60,
  height: 40,
  pivot: [30, 24],
  facing: 0,
} as const;

export function crowd(count: number): Scene {
  const nodes = [
    { id: 'n1', x: 200, y: 360, in: [0, 160], out: [0, -160], join: 'balanced' },
    { id: 'n2', x: 640, y: 140, in: [-200, 0], out: [200, 0], join: 'balanced' },
    { id: 'n3', x: 1080, y: 360, in: [0, -160], out: [0, 160], join: 'balanced' },
    { id: 'n4', x: 640, y: 580, in: [200, 0], out: [-200, 0], join: 'balanced' },
  ];
  return sceneOf({
    canvas: { width: 1280, height: 720, background: '#F6F1E7' },
    clock: { duration: 8, fps: 30, repeat: 'loop' },
    art: [ART],
    guides: [{ id: 'ring', name: 'Ring', closed: true, color: '#0B7A75', nodes }],
    riders: Array.from({ length: count }, (_, i) =>
      riderOn(
        `r${i}`,
        'ring',
        [
          { time: 0, place: { by: 'node', node: 'n1' }, ease: { kind: 'family', family: 'sine', mode: 'in-out' } },
          { time: 8, place: { by: 'node', node: 'n1', lap: 1 } },
        ],
        { art: 'float', lift: (i % 7) * 12 - 36, pace: { delay: (i * 8) / count } },
      ),
    ),
  });
}

/** A closed guide of so many nodes with twenty riders on it. */
export function longGuide(count: number): Scene {
  const nodes = Array.from({ length: count }, (_, i) => {
    const a = (2 * Math.PI * i) / count;
    const r = 250 + 30 * Math.sin(40 * a);
    const step = (2 * Math.PI * r) / count / 3;
    const h = [-Math.sin(a) * step, Math.cos(a) * step] as const;
    return {
      id: `n${i + 1}`,
      x: 640 + 2 * r * Math.cos(a),
      y: 360 + r * Math.sin(a),
      in: [-h[0], -h[1]],
      out: h,
      join: 'smooth' as const,
    };
  });
  return sceneOf({
    canvas: { width: 1280, height: 720, background: '#F6F1E7' },
    clock: { duration: 8, fps: 30, repeat: 'loop' },
    art: [ART],
    guides: [{ id: 'ring', name: 'Ring', closed: true, color: '#0B7A75', nodes }],
    riders: Array.from({ length: 20 }, (_, i) =>
      riderOn(
        `r${i}`,
        'ring',
        [
          { time: 0, place: { by: 'node', node: 'n1' } },
          { time: 8, place: { by: 'node', node: 'n1', lap: 1 } },
        ],
        { art: 'float', pace: { delay: (i * 8) / 20 } },
      ),
    ),
  });
}
