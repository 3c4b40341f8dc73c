// @vitest-environment jsdom
import { beforeEach, describe, expect, test } from 'vitest';
import { moveNodes, prepare, retimeMark, type Axes, type Scene } from '@pace-line/core';
import { BOX_ART, riderOn, sceneOf } from '../../../core/src/testing/scenes.ts';
import { NOTHING, selectGuide, selectRider, type Selection } from '../document/index.ts';
import { CANVAS_FIGURES, type CanvasNow } from './canvas/index.ts';
import { nodes as nodesOn } from './canvas/nodes.ts';
import { Painter } from './painter.ts';
import { SHEET_FIGURES, type SheetNow } from './sheet/index.ts';
import type { Part } from './shapes.ts';
import { svgElement } from './stage/svg.ts';

/** A round of so many nodes with one rider of so many marks. */
function round(count: number, marks = 2): Scene {
  const nodes = Array.from({ length: count }, (_, i) => {
    const a = (2 * Math.PI * i) / count;
    return { id: `n${i}`, x: 400 + 300 * Math.cos(a), y: 300 + 200 * Math.sin(a) };
  });
  return sceneOf({
    clock: { duration: 4, fps: 30, repeat: 'loop' },
    art: [BOX_ART],
    guides: [{ id: 'ring', name: 'Ring', closed: true, color: '#0B7A75', nodes }],
    riders: [
      riderOn(
        'r',
        'ring',
        Array.from({ length: marks }, (_, i) => ({
          id: `m${i}`,
          time: (4 * i) / (marks - 1),
          place: { by: 'share', value: i / (marks - 1) },
        })),
      ),
    ],
  });
}

const canvasNow = (scene: Scene, selection: Selection, more: Partial<CanvasNow> = {}): CanvasNow => {
  const motion = prepare(scene);
  return {
    frame: { time: 0, before: 0, scene, motion, poses: motion.poseAt(0) },
    ...{ scene, committed: scene, selection },
    view: { zoom: 1, x: 0, y: 0 },
    pane: { width: 800, height: 600 },
    isAdjusting: true,
    hover: null,
    seeing: { arrows: false, nodeNames: false, landmarks: false, speeds: false },
    preview: null,
    hints: [],
    cursor: null,
    finding: null,
    followed: null,
    ...more,
  };
};

const AXES: Axes = { left: 92, right: 500, top: 38, bottom: 400, from: 0, to: 4, low: 0, high: 2000 };

const sheetNow = (scene: Scene, selection: Selection): SheetNow => ({
  wrong: [],
  finding: null,
  ...{ scene, standing: scene, selection, axes: AXES, length: 4 },
  guide: scene.guides[0]!,
  riders: scene.riders,
  rider: scene.riders[0],
  showsHeading: true,
  ...{ preview: null, hover: null, ghost: null },
});

let canvas: SVGSVGElement;
let paintCanvas: (now: CanvasNow) => void;
let sheet: SVGSVGElement;
let paintSheet: (now: SheetNow) => void;
beforeEach(() => {
  [canvas, sheet] = [svgElement('svg'), svgElement('svg')];
  const painters = <Now>(root: SVGElement, figures: readonly ConstructorParameters<typeof Painter<Now>>[0][]) => {
    const all = figures.map((figure) => {
      const layer = svgElement('g', { class: figure.id });
      root.append(layer);
      return new Painter(figure, layer);
    });
    return (now: Now) => all.forEach((painter) => painter.paint(now));
  };
  paintCanvas = painters(canvas, CANVAS_FIGURES);
  paintSheet = painters(sheet, Object.values(SHEET_FIGURES).flat());
});

describe('the canvas', () => {
  test('of nothing selected has lines and no handles; of a guide its nodes, of a rider its flags, box and ticks', () => {
    const scene = round(6);
    paintCanvas(canvasNow(scene, NOTHING));
    expect(canvas.querySelectorAll('.guide-line')).toHaveLength(1);
    expect(canvas.querySelectorAll('.node, .flag, .selection-box, .tick')).toHaveLength(0);
    paintCanvas(canvasNow(scene, selectGuide('ring', ['n2'])));
    expect(canvas.querySelectorAll('.node')).toHaveLength(6);
    expect(canvas.querySelector('.node.selected')?.getAttribute('data-part')).toBe('n2');
    expect([...canvas.querySelectorAll('.node[tabindex="0"]')].map((one) => one.getAttribute('data-part'))).toEqual([
      'n2',
    ]);
    expect(canvas.querySelector('.lines')?.classList).toContain('on-top');
    paintCanvas(canvasNow(scene, selectRider('r', ['m1'])));
    expect(canvas.querySelectorAll('.node')).toHaveLength(0);
    expect(canvas.querySelectorAll('.flag')).toHaveLength(2);
    expect(canvas.querySelector('.flag.selected text')?.textContent).toBe('4.00 s');
    expect(canvas.querySelectorAll('.selection-box, .tick')).not.toHaveLength(0);
    paintCanvas(canvasNow(scene, NOTHING));
    expect(canvas.querySelectorAll('.node, .flag, .selection-box, .tick')).toHaveLength(0);
  });

  test('a node that is moved is the one that is drawn anew, in the same element', () => {
    const scene = round(120);
    const select = selectGuide('ring', ['n7']);
    const shapes = (now: Scene) => {
      const list: Part[] = [];
      const walk = (part: Part): void => {
        if (!part) return;
        if (part.attributes.key?.startsWith('node ')) list.push(part);
        else if (typeof part.inner !== 'string') part.inner.forEach(walk);
      };
      walk(nodesOn(canvasNow(now, select)));
      return list;
    };
    const before = shapes(scene);
    const moved = moveNodes(scene, { guide: 'ring', nodes: ['n7'], dx: 5, dy: 0 });
    const after = shapes(moved);
    expect(after).toHaveLength(120);
    // The first node's chevron shows which way the guide runs.
    expect(after.flatMap((one, i) => (one === before[i] ? [] : [i]))).toEqual([7]);
    paintCanvas(canvasNow(scene, select));
    const element = canvas.querySelector('[data-part="n7"]');
    paintCanvas(canvasNow(moved, select, { committed: scene }));
    expect(canvas.querySelector('[data-part="n7"]')).toBe(element);
    expect(canvas.querySelector('.ticks')?.classList ?? []).toContain('bending');
  });

  test('of thousands of nodes those are drawn that are in view and cover no other, the chosen one in any case', () => {
    const scene = round(6000);
    const drawn = (more: Partial<CanvasNow> = {}): (string | null)[] => {
      paintCanvas(canvasNow(scene, selectGuide('ring', ['n3001']), more));
      return [...canvas.querySelectorAll('.node')].map((one) => one.getAttribute('data-part'));
    };
    const all = drawn();
    expect(all.length).toBeGreaterThan(150);
    expect(all.length).toBeLessThan(400);
    expect(all).toContain('n3001');
    expect(all).toContain('n0');
    // Looked at closely, those of a small piece are all there.
    const near = drawn({ view: { zoom: 20, x: -20 * 680, y: -20 * 290 } });
    expect(near.length).toBeLessThan(150);
    expect(['n0', 'n3001', 'n5', 'n10'].every((id) => near.includes(id))).toBe(true);
    expect(near).not.toContain('n1500');
  });
});

describe('the sheet', () => {
  test('has the line, the marks, the speed and the heading of the rider that is worked on', () => {
    const scene = round(6);
    paintSheet(sheetNow(scene, selectRider('r', ['m1'])));
    expect(sheet.querySelectorAll('.pace-line.selected, .ribbon-line, .key-line')).toHaveLength(3);
    const marks = [...sheet.querySelectorAll('.mark[data-part]')];
    expect(marks.map((one) => one.getAttribute('aria-pressed'))).toEqual(['false', 'true']);
    expect(marks[1]?.querySelector('.mark-label text')?.textContent).toBe('4.00 s');
    const line = sheet.querySelector('.pace-line');
    const before = line?.getAttribute('d');
    paintSheet(sheetNow(retimeMark(scene, { rider: 'r', mark: 'm1', time: 3 }), selectRider('r', ['m1'])));
    expect(sheet.querySelector('.pace-line')).toBe(line);
    expect(line?.getAttribute('d')).not.toBe(before);
  });

  test('of thousands of marks those are drawn that cover no other, and the chosen one', () => {
    paintSheet(sheetNow(round(6, 5000), selectRider('r', ['m2501'])));
    const drawn = [...sheet.querySelectorAll('.mark')].map((one) => one.getAttribute('data-mark'));
    expect(drawn.length).toBeGreaterThan(50);
    expect(drawn.length).toBeLessThan(400);
    expect(drawn).toContain('m2501');
  });
});
