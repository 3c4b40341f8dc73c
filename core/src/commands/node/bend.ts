import {
  arcThrough,
  controlPointsBetween,
  pulledSpan,
  subtract,
  type ControlPoints,
  type Vec,
} from '../../geometry/index.ts';
import { pathOfGuide, type Guide, type Node, type Scene } from '../../scene/index.ts';
import { checkNodes } from './check-nodes.ts';
import { command, guideOf, refusal, replaceGuide, type Refusal } from '../command.ts';
import { nodeWithHandle } from './nodes.ts';

function checkSpan(scene: Scene, id: string, span: number): Refusal | undefined {
  const refused = checkNodes(scene, id, []);
  if (refused) return refused;
  return pathOfGuide(guideOf(scene, id)).spans[span] ? undefined : refusal('no-span');
}

/** The nodes of a guide with the two handles of a span changed; smooth neighbours turn with them. */
function withSpan(
  guide: Guide,
  span: number,
  change: (points: ControlPoints) => ControlPoints | undefined,
): readonly Node[] {
  const end = (span + 1) % guide.nodes.length;
  const a = guide.nodes[span];
  const b = guide.nodes[end];
  const points = a && b && change(controlPointsBetween(a, b));
  if (!points) return guide.nodes;
  const out = subtract(points[1], points[0]);
  const into = subtract(points[2], points[3]);
  const bent = guide.nodes.map((node, i) => (i === span ? nodeWithHandle(node, 'out', out, false) : node));
  return bent.map((node, i) => (i === end ? nodeWithHandle(node, 'in', into, false) : node));
}

/**
 * Bends a span so that it passes through a point of the canvas at its parameter `t`; with `arc`, a straight span becomes an arc of a circle through the
 * point. No node is added and no mark is touched.
 */
export const pullSpan = command<{ guide: string; span: number; t: number; to: Vec; arc?: boolean }>(
  (scene, { guide, span }) => checkSpan(scene, guide, span),
  (scene, { guide: id, span, t, to, arc = false }) => {
    const guide = guideOf(scene, id);
    const nodes = withSpan(guide, span, (points) =>
      arc ? arcThrough(points[0], to, points[3]) : pulledSpan(points, t, to),
    );
    return replaceGuide(scene, { ...guide, nodes });
  },
);

/** Makes spans straight: their handles go, and the joins at their ends become corners. */
export const straightenSpans = command<{ guide: string; spans: readonly number[] }>(
  (scene, { guide, spans }) =>
    spans.map((span) => checkSpan(scene, guide, span)).find(Boolean) ?? checkNodes(scene, guide, []),
  (scene, { guide: id, spans }) => {
    const guide = guideOf(scene, id);
    const starts = new Set(spans);
    const ends = new Set(spans.map((span) => (span + 1) % guide.nodes.length));
    const nodes = guide.nodes.map((node, i): Node => {
      if (!starts.has(i) && !ends.has(i)) return node;
      const { in: into, out, ...rest } = node;
      return {
        ...rest,
        join: 'corner',
        ...(into && !ends.has(i) ? { in: into } : {}),
        ...(out && !starts.has(i) ? { out } : {}),
      };
    });
    return replaceGuide(scene, { ...guide, nodes });
  },
);
