import type { CDPSession, Page } from '@playwright/test';
import type { Scene } from '@pace-line/core';
import { riderOn, sceneOf } from '../../core/src/testing/scenes.ts';
import { median, type Row } from '../measure.ts';
import { open } from './hands.ts';
import { ART, crowd, longGuide } from './scenes.ts';

/** Moves of a hand that are measured, and how often all of them are; the median counts. */
const [MOVES, TURNS] = [40, 3];

type Place = readonly [x: number, y: number];

/** One rider with so many marks on a guide. */
function manyMarks(count: number): Scene {
  const scene = crowd(1);
  const marks = Array.from({ length: count }, (_, i) => ({
    id: `m${i}`,
    time: (8 * i) / count,
    place: { by: 'share', value: i / count + 0.3 * Math.sin(i / 40) * Math.min(1, i / 40) },
  }));
  return sceneOf({ ...scene, art: [ART], riders: [riderOn('r0', 'ring', marks, { art: 'float' })] });
}

/** Does what brings an event to the page, and gives the ms from that until what it changes is painted. The page listens before: what is done and what is asked of it come by different ways. */
async function untilPainted(page: Page, event: string, act: () => Promise<void>): Promise<number> {
  await page.evaluate((name) => {
    const painted = new Promise<number>((done) =>
      addEventListener(
        name,
        ({ timeStamp }) => requestAnimationFrame(() => setTimeout(() => done(performance.now() - timeStamp))),
        { once: true, capture: true },
      ),
    );
    Object.assign(window, { painted });
  }, event);
  await act();
  return page.evaluate(() => (window as unknown as { painted: Promise<number> }).painted);
}

/** ms of the main thread that each of the moves takes until it is painted, held at `from` and moved about it. */
async function perMove(page: Page, cdp: CDPSession, [x, y]: Place): Promise<number> {
  const taskTime = async (): Promise<number> => {
    const { metrics } = await cdp.send('Performance.getMetrics');
    return (metrics.find(({ name }) => name === 'TaskDuration')?.value ?? 0) * 1000;
  };
  const about = async (count: number): Promise<void> => {
    for (let i = 1; i <= count; i++) {
      await untilPainted(page, 'pointermove', () => page.mouse.move(x + 14 * Math.sin(i / 4), y + 9 * Math.sin(i / 3)));
    }
  };
  await page.mouse.move(x, y);
  await page.mouse.down();
  await about(20);
  const all: number[] = [];
  for (let turn = 0; turn < TURNS; turn++) {
    const before = await taskTime();
    await about(MOVES);
    all.push(((await taskTime()) - before) / MOVES);
  }
  await page.keyboard.press('Escape');
  await page.mouse.up();
  return median(all);
}

const stop = (page: Page) => page.getByRole('button', { name: 'Pause', exact: true }).click();

async function middleOf(page: Page, selector: string, index: number): Promise<Place> {
  const box = await page.locator(selector).nth(index).boundingBox();
  if (!box) throw new Error(`no ${selector}`);
  return [box.x + box.width / 2, box.y + box.height / 2];
}

/** A place of the canvas in the window. */
async function onCanvas(page: Page, [x, y]: Place): Promise<Place> {
  const edge = await page.locator('.canvas-edge').boundingBox();
  if (!edge) throw new Error('no canvas');
  return [edge.x + (x / 1280) * edge.width, edge.y + (y / 720) * edge.height];
}

/** Moves of a node that is selected. */
async function nodeMoved(page: Page, cdp: CDPSession, scene: Scene, index: number): Promise<number> {
  await open(page, scene);
  await stop(page);
  const { x = 0, y = 0 } = scene.guides[0]?.nodes[index] ?? {};
  const at = await onCanvas(page, [x, y]);
  await page.mouse.click(...at);
  await page.waitForTimeout(500);
  await page.mouse.click(...at);
  return perMove(page, cdp, at);
}

async function markMoved(page: Page, cdp: CDPSession, count: number): Promise<number> {
  await open(page, manyMarks(count));
  await stop(page);
  const at = await middleOf(page, '.mark-ring', 20);
  await page.mouse.click(...at);
  await page.waitForTimeout(500);
  return perMove(page, cdp, at);
}

/** A page with one drawing and one line that both follow the pointer, with none of our code. */
async function bareMoves(page: Page, cdp: CDPSession): Promise<number> {
  await page.goto('about:blank');
  await page.setContent(
    `<!doctype html><body style="margin:0"><svg width="742" height="560"><path id="line" fill="none" stroke="#0B7A75" stroke-width="3"/><g id="art">${ART.markup}</g><rect id="node" width="10" height="10"/></svg></body>`,
  );
  await page.evaluate(() => {
    let at = [300, 200];
    addEventListener('pointermove', (event) => (at = [event.clientX, event.clientY]));
    const tick = (): void => {
      const [x, y] = at;
      document
        .getElementById('line')
        ?.setAttribute('d', `M100 300C100 100 ${x} ${y} ${x} ${y}S600 100 600 300 100 500 100 300Z`);
      document.getElementById('art')?.setAttribute('transform', `translate(${x} ${y})`);
      document.getElementById('node')?.setAttribute('transform', `translate(${x} ${y})`);
      requestAnimationFrame(tick);
    };
    requestAnimationFrame(tick);
  });
  return perMove(page, cdp, [300, 200]);
}

/** ms from the press on a mark until what it selects is painted. */
async function selecting(page: Page): Promise<number> {
  await open(page, crowd(100));
  await stop(page);
  const places = [await middleOf(page, '.mark-ring', 0), await middleOf(page, '.mark-ring', 1)];
  const all: number[] = [];
  for (let i = 0; i < 12; i++) {
    await page.mouse.move(...places[i % 2]!);
    await page.waitForTimeout(200);
    all.push(await untilPainted(page, 'pointerdown', () => page.mouse.down()));
    await page.mouse.up();
    await page.waitForTimeout(400);
  }
  return median(all);
}

/** What a hand costs where there is much, and where there is little. */
export async function growthRows(page: Page, cdp: CDPSession): Promise<Row[]> {
  const limit = (what: string, ms: number, most: number): Row => ({
    what,
    figure: `${ms.toFixed(1)} ms of the main thread a move`,
    beside: `limit ${most} ms`,
    promise: `at most ${most} ms`,
    kept: ms <= most,
  });
  const [one, bare] = [await nodeMoved(page, cdp, crowd(1), 1), await bareMoves(page, cdp)];
  const pressed = await selecting(page);
  return [
    limit('a node of a guide of 10,000 nodes is moved', await nodeMoved(page, cdp, longGuide(10_000), 7500), 25),
    limit('a mark of 1,000 is moved', await markMoved(page, cdp, 1000), 25),
    limit('a mark of 10,000 is moved', await markMoved(page, cdp, 10_000), 25),
    {
      what: 'a node is moved, one rider on its guide',
      figure: `${one.toFixed(1)} ms of the main thread a move`,
      beside: `a bare page on which a line and a drawing follow the pointer ${bare.toFixed(1)} ms: ${(one / bare).toFixed(2)} times`,
      promise: 'at most 1.5 times the bare page',
      kept: one <= 1.5 * bare,
    },
    {
      what: 'a mark of 100 riders’ route is selected',
      figure: `${pressed.toFixed(0)} ms to the next paint`,
      beside: 'limit 50 ms',
      promise: 'at most 50 ms',
      kept: pressed <= 50,
    },
  ];
}
