import { pullSpan } from '../../../commands/index.ts';
import { controlPointsBetween, distanceBetween, type Vec } from '../../../geometry/index.ts';
import { prepare } from '../../../motion/index.ts';
import { guideById, pathOfGuide, riderById, type Guide } from '../../../scene/index.ts';
import { bothWays, sizeOf, timesOf, type Knob } from './knob.ts';

/** Where the middle of the span that begins at a node lies, px, and the way to the left of it; undefined where there is none. */
function middleOf(
  guide: Guide,
  node: string,
): { readonly span: number; readonly at: Vec; readonly left: Vec } | undefined {
  const span = guide.nodes.findIndex(({ id }) => id === node);
  const [from, to] = [guide.nodes[span], guide.nodes[(span + 1) % guide.nodes.length]];
  if (!from || !to || !pathOfGuide(guide).spans[span]) return undefined;
  const [a, b, c, d] = controlPointsBetween(from, to);
  const middle = (axis: 0 | 1): number => (a[axis] + 3 * b[axis] + 3 * c[axis] + d[axis]) / 8;
  const chord = distanceBetween(a, d);
  const left: Vec = chord > 0 ? [(d[1] - a[1]) / chord, (a[0] - d[0]) / chord] : [0, -1];
  return { span, at: [middle(0), middle(1)], left };
}

/** How far the middle of the span that it is on then lies to the left of where it lies now: up to half the span's length. */
export const bend: Knob<'bend'> = {
  kind: 'bend',
  digits: 0,
  now: () => 0,
  tried(scene, rider, finding) {
    const guide = guideById(scene, rider.guide);
    const moving = prepare(scene).rider(rider.id);
    if (!guide || !moving?.path || rider.pace.recipe?.kind === 'hop') return [];
    const { path } = moving;
    const spans = timesOf(finding).map((at) => path.parameterAtDistance(path.wrap(moving.footAt(at))).span);
    return [...new Set(spans)].flatMap((span) => {
      const node = guide.nodes[span];
      if (!node || pullSpan.can(scene, { guide: guide.id, span, t: 0.5, to: [0, 0] })) return [];
      return bothWays(0, (path.spans[span]?.length ?? 0) / 2, node.id);
    });
  },
  set(scene, id, value, part = '') {
    const guide = guideById(scene, riderById(scene, id)?.guide ?? null);
    const middle = guide && middleOf(guide, part);
    if (!middle || value === 0) return scene;
    const { span, at, left } = middle;
    const to: Vec = [at[0] + left[0] * value, at[1] + left[1] * value];
    return pullSpan(scene, { guide: guide.id, span, t: 0.5, to });
  },
  size: (scene, rider, value) => Math.abs(value) / sizeOf(scene, rider),
  words: ({ rider, part, from, to }, name, scene) => {
    const guide = guideById(scene, riderById(scene, rider)?.guide ?? null);
    const span = guide?.nodes.findIndex(({ id }) => id === part) ?? 0;
    return `Bend span ${span + 1} of ${guide?.name ?? name} by ${Math.abs(to - from).toFixed(0)} px`;
  },
};
