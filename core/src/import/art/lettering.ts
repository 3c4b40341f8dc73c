import type { Art, Scene } from '../../scene/index.ts';
import { EMPTY_BOX, pathThrough, unionOf } from '../../geometry/index.ts';
import { outlinesFromPathData } from '../../drawing/path-data.ts';
import type { Font } from './fonts.ts';
import { familiesIn, outlinedTexts } from './texts.ts';

export { bareFamily } from './family.ts';
export { readFont, type Font } from './fonts.ts';
export { outlinedTexts } from './texts.ts';

/** An art whose texts are outlines, how many there are now, and what had to stay text, in words. */
export interface Outlined<T> {
  readonly made: T;
  readonly count: number;
  readonly left: readonly string[];
}

/** An art with its texts as outlines by these fonts; of a strip in each of its poses. What has no text is the same object. */
export function outlinedArt(art: Art, fonts: readonly Font[]): Outlined<Art> {
  if (art.kind === 'image') return { made: art, count: 0, left: [] };
  if (art.kind === 'svg') {
    const { markup, count, left } = outlinedTexts(art.markup, fonts);
    return { made: count > 0 ? { ...art, markup } : art, count, left };
  }
  let count = 0;
  const left = new Set<string>();
  const poses = art.poses.map((pose) => {
    if (pose.kind !== 'svg') return pose;
    const one = outlinedTexts(pose.markup, fonts);
    count += one.count;
    one.left.forEach((why) => left.add(why));
    return one.count > 0 ? { ...pose, markup: one.markup } : pose;
  });
  return { made: count > 0 ? { ...art, poses } : art, count, left: [...left] };
}

/** The same of all art of a scene; each sentence begins with the art's name. */
export function outlinedScene(scene: Scene, fonts: readonly Font[]): Outlined<Scene> {
  let count = 0;
  const left: string[] = [];
  const art = scene.art.map((one) => {
    const outlined = outlinedArt(one, fonts);
    count += outlined.count;
    left.push(...outlined.left.map((why) => `“${one.name}”: ${why}`));
    return outlined.made;
  });
  return { made: count > 0 ? { ...scene, art } : scene, count, left };
}

/** The drawings of an art that hold text, in all its poses: the families they are written in; none where there is no text. */
export const familiesOfArt = (art: Art): readonly string[] => [
  ...new Set(
    art.kind === 'svg'
      ? familiesIn(art.markup)
      : art.kind === 'strip'
        ? art.poses.flatMap((pose) => (pose.kind === 'svg' ? familiesIn(pose.markup) : []))
        : [],
  ),
];

/** A text by itself as a drawing of outlines, as wide as its letters, from the top of the tallest to the foot of the lowest; undefined where the font draws nothing of it. */
export function textDrawing(
  font: Font,
  text: string,
  { size, color }: { size: number; color: string },
): string | undefined {
  const outlined = font.outline(text, { x: 0, y: 0, size, spacing: 0 });
  const read = outlined && outlinesFromPathData(outlined.data);
  if (!outlined || !read?.ok) return undefined;
  const box = read.outlines.reduce(
    (all, { nodes, closed }) => unionOf(all, pathThrough(nodes, closed).bounds),
    EMPTY_BOX,
  );
  const [width, height] = [box.right - box.left, box.bottom - box.top].map((side) => Math.ceil(side * 100) / 100);
  if (!(width && width > 0 && height && height > 0)) return undefined;
  const moved = font.outline(text, { x: -box.left, y: -box.top, size, spacing: 0 });
  return `<svg xmlns="http://www.w3.org/2000/svg" width="${width}" height="${height}" viewBox="0 0 ${width} ${height}"><path d="${moved?.data}" fill="${color}"/></svg>`;
}
