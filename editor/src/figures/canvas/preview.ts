import { pathData } from '@pace-line/core';
import type { Preview } from '../../tools/index.ts';
import { group, shape, type Part } from '../shapes.ts';

type Of<K extends Preview['kind']> = Preview & { readonly kind: K };
type Points = readonly (readonly [number, number])[];

/** What a tool is making and is not in the scene yet. `zoom`: screen px for each of the canvas’s. */
export function previewOf(preview: Preview, zoom: number): Part {
  switch (preview.kind) {
    case 'box':
      return box(preview);
    case 'stroke':
      return stroke(preview, zoom);
    case 'measure':
      return measured(preview, zoom);
    case 'outline':
      return draft(pathData(preview.nodes, preview.closed), []);
    case 'plot':
      return plotted(preview, 1 / zoom);
  }
}

const draft = (d: string, more: readonly Part[]): Part =>
  group({ class: 'draft' }, [
    shape('path', { class: 'guide-casing', d }),
    shape('path', { class: 'draft-line', d }),
    ...more,
  ]);

const box = ({ x0, y0, x1, y1 }: Of<'box'>): Part =>
  shape('rect', {
    class: 'select-box',
    x: Math.min(x0, x1),
    y: Math.min(y0, y1),
    width: Math.abs(x1 - x0),
    height: Math.abs(y1 - y0),
  });

function plotted({ nodes, next, closes }: Of<'plot'>, k: number): Part {
  const [first] = nodes;
  const last = nodes.at(-1);
  const target = closes && first ? first : next ? { x: next[0], y: next[1] } : undefined;
  return draft(pathData(nodes, false), [
    last && target && shape('path', { key: 'next', class: 'draft-next', d: pathData([last, target], false) }),
    ...nodes.map(({ x, y, in: before, out }, i) =>
      group({ key: `node ${i}` }, [
        out &&
          shape('path', {
            class: 'draft-handle',
            d: `M${x + (before?.[0] ?? 0)} ${y + (before?.[1] ?? 0)}L${x + out[0]} ${y + out[1]}`,
          }),
        out && shape('circle', { class: 'draft-knob', cx: x + out[0], cy: y + out[1], r: 3.5 * k }),
        shape('circle', {
          class: i === 0 && closes ? 'draft-node closes' : 'draft-node',
          cx: x,
          cy: y,
          r: (i === 0 && closes ? 8 : 5) * k,
        }),
      ]),
    ),
  ]);
}

const polyline = (points: Points): string =>
  points.map(([x, y], i) => `${i === 0 ? 'M' : 'L'}${x.toFixed(2)} ${y.toFixed(2)}`).join('');

function stroke({ points, note }: Of<'stroke'>, zoom: number): Part {
  const last = points.at(-1);
  return draft(polyline(points), [
    last &&
      note !== undefined &&
      group({ key: 'note', transform: `translate(${last[0]} ${last[1]}) scale(${1 / zoom})` }, [slip([note])]),
  ]);
}

function measured({ from, to, lines, along }: Of<'measure'>, zoom: number): Part {
  const k = 1 / zoom;
  return group({ class: 'measure' }, [
    along.length > 1 && shape('path', { class: 'measure-along', d: polyline(along) }),
    shape('path', { class: 'measure-line', d: polyline([from, to]) }),
    ...[from, to].map(([x, y]) =>
      shape('path', { class: 'measure-end', d: 'M-6 0H6M0 -6V6', transform: `translate(${x} ${y}) scale(${k})` }),
    ),
    group({ transform: `translate(${to[0]} ${to[1]}) scale(${k})` }, [slip(lines)]),
  ]);
}

/** Words on a slip beside the pointer. */
function slip(lines: readonly string[]): Part {
  const width = 16 + 7.2 * Math.max(...lines.map((line) => line.length));
  return group({ class: 'slip', transform: 'translate(16 12)' }, [
    shape('rect', { width, height: 8 + 16 * lines.length, rx: 4 }),
    ...lines.map((line, i) => shape('text', { x: 8, y: 16 + 16 * i }, line)),
  ]);
}
