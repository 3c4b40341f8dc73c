import type { POSE } from '@pace-line/core';
import { pictureOf, placedArt, prepare, posesOf, type Art, type Picture, type Scene } from '@pace-line/core';

/** A picture of art, painted once: the pixels, and the box of the art's own px that they fill. */
export interface Painted {
  readonly bitmap: ImageBitmap;
  readonly x: number;
  readonly y: number;
  readonly width: number;
  readonly height: number;
}

/** The painted pictures of a scene: by the id of their art, then by their poses. */
export type Pictures = ReadonlyMap<string, ReadonlyMap<number, Painted>>;

/** Longest side of a painted picture, px: beyond it is painted coarser. */
const LONGEST = 4096;

/** Looks at the loop, for how large art is shown. */
const LOOKS = 48;

/** Paints all art of a scene that is sent, as large as it is ever shown. Only a page can do that: a worker cannot read SVG. */
export async function paintedPictures(scene: Scene, scale: number): Promise<Pictures> {
  const sizes = largestSizes(scene);
  const pictures = new Map<string, Map<number, Painted>>();
  for (const art of scene.art) {
    const size = sizes.get(art.id);
    if (size === undefined) continue;
    const poses = new Map<number, Painted>();
    for (let pose = 1; pose <= posesOf(art); pose++) {
      const picture = pictureOf(art, pose);
      if (picture) poses.set(pose, await painted(picture, art, scene.assets, size * scale));
    }
    pictures.set(art.id, poses);
  }
  return pictures;
}

/** px on the canvas of a px of each art, where it is shown largest. */
function largestSizes(scene: Scene): ReadonlyMap<string, number> {
  const motion = prepare(scene);
  const sizes = new Map<string, number>();
  const camera = scene.camera === null ? -1 : motion.indexOf(scene.camera);
  for (let k = 0; k <= LOOKS; k++) {
    const poses = motion.poseAt((motion.length * k) / LOOKS, undefined, k === LOOKS ? -1 : 1);
    const zoom =
      camera < 0
        ? 1
        : 1 / Math.max(1e-3, Math.min(Math.abs(poses.of(camera, 'scaleX')), Math.abs(poses.of(camera, 'scaleY'))));
    scene.riders.forEach((rider, i) => {
      if (!rider.output) return;
      const at = (key: keyof typeof POSE): number => poses.of(i, key);
      const size = zoom * Math.max(Math.hypot(at('a'), at('b')), Math.hypot(at('c'), at('d')));
      sizes.set(rider.art, Math.max(sizes.get(rider.art) ?? 0, size));
    });
  }
  return sizes;
}

async function painted(picture: Picture, art: Art, assets: Scene['assets'], size: number): Promise<Painted> {
  const box = reachOf(picture, art);
  const fine = Math.max(1e-3, Math.min(size, LONGEST / Math.max(box.width, box.height, 1)));
  const [width, height] = [Math.max(1, Math.ceil(box.width * fine)), Math.max(1, Math.ceil(box.height * fine))];
  const markup =
    `<svg xmlns="http://www.w3.org/2000/svg" width="${width}" height="${height}" viewBox="${box.x} ${box.y} ${width / fine} ${height / fine}">` +
    `${placedArt(picture, 'p-', assets)}</svg>`;
  const url = URL.createObjectURL(new Blob([markup], { type: 'image/svg+xml' }));
  try {
    const image = new Image();
    image.src = url;
    await image.decode();
    const canvas = new OffscreenCanvas(width, height);
    canvas.getContext('2d')?.drawImage(image, 0, 0, width, height);
    return { bitmap: canvas.transferToImageBitmap(), x: box.x, y: box.y, width: width / fine, height: height / fine };
  } finally {
    URL.revokeObjectURL(url);
  }
}

interface Reach {
  readonly x: number;
  readonly y: number;
  readonly width: number;
  readonly height: number;
}

/** px beyond a drawing's shapes that its strokes and filters may reach, as a share of its size. */
const EDGE = 0.06;

/** How far a drawing reaches, in the px of its art's box; a picture of pixels fills the box. */
function reachOf(picture: Picture, { width, height }: Art): Reach {
  const whole = { x: 0, y: 0, width, height };
  if (picture.kind === 'image') return whole;
  const host = document.createElement('div');
  host.style.cssText = 'position:absolute;left:-99999px;top:0;visibility:hidden';
  // It stands in the canonical form that the core has verified, as all art of an open scene.
  host.innerHTML = `<svg xmlns="http://www.w3.org/2000/svg" width="${width}" height="${height}"><g>${placedArt(picture, 'm-', {})}</g></svg>`;
  document.body.append(host);
  try {
    const box = host.querySelector('g')?.getBBox();
    if (!box || !(box.width > 0) || !(box.height > 0)) return whole;
    const edge = EDGE * Math.max(box.width, box.height) + 4;
    const [left, top] = [Math.min(0, Math.floor(box.x - edge)), Math.min(0, Math.floor(box.y - edge))];
    return {
      x: left,
      y: top,
      width: Math.max(width, Math.ceil(box.x + box.width + edge)) - left,
      height: Math.max(height, Math.ceil(box.y + box.height + edge)) - top,
    };
  } finally {
    host.remove();
  }
}
