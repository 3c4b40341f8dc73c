import { readSvgArt } from '@pace-line/core/art-import';
import type { Art } from '@pace-line/core';

/** Poses of a walk. */
const COUNT = 12;

/** px from one print of a foot to its next one. */
export const STRIDE = 92;

const HIP = [76, 118] as const;
const FLOOR = 186;

/** px from hip to knee and from knee to foot. */
const THIGH = 33;
const SHANK = 40;

/** px that a foot is lifted while it swings. */
const SWING = 17;

/** Where a foot is beneath its hip at a share of the stride: half of it on the ground, going back as fast as the body goes on. */
function footAt(share: number): [x: number, y: number] {
  const u = ((share % 1) + 1) % 1;
  const reach = STRIDE / 4;
  if (u < 0.5) return [HIP[0] + reach - 4 * reach * u, FLOOR];
  const v = (u - 0.5) * 2;
  const eased = v * v * (3 - 2 * v);
  return [HIP[0] - reach + 2 * reach * eased, FLOOR - SWING * Math.sin(Math.PI * v)];
}

/** A leg of two bones from the hip to the foot; a heron's joint bends backward. */
function leg([x, y]: readonly [number, number], hipX: number, color: string): string {
  const [dx, dy] = [x - hipX, y - HIP[1]];
  const reach = Math.min(Math.hypot(dx, dy), THIGH + SHANK - 0.1);
  const along = (THIGH * THIGH - SHANK * SHANK + reach * reach) / (2 * reach);
  const out = Math.sqrt(Math.max(0, THIGH * THIGH - along * along));
  const [ux, uy] = [dx / Math.hypot(dx, dy), dy / Math.hypot(dx, dy)];
  const n = (value: number): string => (Math.round(value * 10) / 10).toString();
  const knee = [hipX + ux * along - uy * out, HIP[1] + uy * along + ux * out] as const;
  return (
    `<path d="M${n(hipX)} ${HIP[1]}L${n(knee[0])} ${n(knee[1])}L${n(x)} ${n(y)}M${n(x - 9)} ${n(y + 2)}L${n(x)} ${n(y)}L${n(x + 14)} ${n(y + 2)}" ` +
    `fill="none" stroke="${color}" stroke-width="4" stroke-linecap="round" stroke-linejoin="round"/>`
  );
}

/** A drawing without its legs, with legs that walk beneath it, as a strip of poses. */
export function walkingArt(id: string, name: string, svg: string): Art {
  const body = svg.replace(/\s*<path[^>]*stroke="#(?:7B6A4E|94815F)"[^>]*\/>/g, '');
  const poses = Array.from({ length: COUNT }, (_, i) => {
    const share = i / COUNT;
    // The body dips a little when both feet are down.
    const bob = Math.round(-2 * Math.cos(4 * Math.PI * share) * 10) / 10;
    const legs = leg(footAt(share + 0.5), HIP[0] - 4, '#7B6A4E') + leg(footAt(share), HIP[0] + 4, '#94815F');
    const drawing = body
      .replace(/(<svg[^>]*>)/, `$1${legs}<g transform="translate(0 ${bob})">`)
      .replace('</svg>', '</g></svg>');
    const read = readSvgArt(drawing);
    if (!read.ok) throw new Error(`${id}: ${read.message}`);
    return { kind: 'svg', markup: read.art.markup } as const;
  });
  return { id, name, kind: 'strip', poses, width: 150, height: 190, pivot: [HIP[0], FLOOR + 2], facing: 0 };
}
