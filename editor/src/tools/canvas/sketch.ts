import { addGuide, fitStroke, namedNode, type Node } from '@pace-line/core';
import { selectGuide } from '../../document/index.ts';
import { guideFrom } from './new-guide.ts';
import { snapped } from '../snap/snap.ts';
import { hitRadius } from '../pointer.ts';
import type { CanvasTool, Tool, ToolHost } from '../tool.ts';

type Point = readonly [number, number];

/** The nodes of a stroke fitted within a tolerance, px; a closed one ends on its first node. */
export function strokeNodes(stroke: readonly Point[], tolerance: number, closed: boolean): Node[] {
  const { nodes } = fitStroke(stroke, { tolerance });
  const named = nodes.map((node, i) => namedNode(node, `n${i + 1}`));
  const first = named[0];
  const last = named.at(-1);
  if (!closed || !first || !last || named.length < 3) return named;
  const joined = namedNode({ ...first, in: last.in }, first.id);
  return [joined, ...named.slice(1, -1)];
}

/** Sketching: press, draw, let go. The stroke is fitted with few nodes, corners where it turns sharply; ending at its start closes it. */
export function sketchTool(host: ToolHost, done: () => void): Tool {
  let stroke: Point[] = [];

  const show = (): void => host.preview(stroke.length > 1 ? { kind: 'stroke', points: stroke } : null);

  const reset = (): void => {
    stroke = [];
    host.preview(null);
    host.hint([]);
  };

  return {
    down(p) {
      const { x, y } = snapped(host.scene(), host.poses(), host.snapping(), p);
      stroke = [[x, y]];
    },
    move(p, passed = [p]) {
      if (stroke.length === 0) return;
      stroke = [...stroke, ...passed.map(({ x, y }): Point => [x, y])];
      show();
    },
    up(p) {
      const first = stroke[0];
      if (!first || stroke.length < 3) return reset();
      const closes =
        Math.hypot(p.x - first[0], p.y - first[1]) * p.zoom <= 2 * hitRadius(p.kind) && lengthOf(stroke) * p.zoom > 60;
      const points = closes ? [...stroke, first] : stroke;
      const nodes = strokeNodes(points, host.options().sketchTolerance / Math.max(1, p.zoom), closes);
      reset();
      if (nodes.length < 2) return;
      const guide = guideFrom(host.scene(), nodes, closes, 'Sketch');
      host.do('Sketch guide', (scene) => addGuide(scene, { guide }), selectGuide(guide.id));
      host.keepStroke({ kind: 'sketch', guide: guide.id, stroke: points, closed: closes });
      done();
    },
    hover(p) {
      host.hint(snapped(host.scene(), host.poses(), host.snapping(), p).hints);
      return 'crosshair';
    },
    cancel() {
      const had = stroke.length > 0;
      reset();
      return had;
    },
    key: () => false,
  };
}

const lengthOf = (stroke: readonly Point[]): number =>
  stroke.reduce((sum, [x, y], i) => {
    const before = stroke[i - 1];
    return before ? sum + Math.hypot(x - before[0], y - before[1]) : sum;
  }, 0);

export const sketching = {
  name: 'sketch',
  label: 'Sketch',
  about: 'Draws a guide freehand',
  also: 'freehand pencil brush draw path',
  line: 'Press and draw. Ending at the start closes it; the fit can be changed afterwards.',
  make: (host) => sketchTool(host, () => undefined),
} as const satisfies CanvasTool;
