import { createServer } from 'node:http';
import { writeFileSync } from 'node:fs';
import { setTimeout as later } from 'node:timers/promises';
import { prepare, type Scene } from '@pace-line/core';
import { boxesOf, eventsAndBeside, jumping, worstOf } from '../../e2e/jumping.ts';
import { cornersInPage, gapShown, type Corners } from '../../e2e/motion.ts';
import { write } from '../../e2e/writing.ts';
import { SAMPLES } from '../../samples/scenes.ts';
import { DESK_LIMIT, deskFrames } from './desk.ts';
import { chromium, firefox, webkit, type Engine } from './engines.ts';
import { PLACES, type Place } from './places.ts';
import { killedRow, storageRow } from './storage.ts';

/** All samples, or those whose names begin as was said. */
const CHOSEN = SAMPLES.filter(({ file }) => file.startsWith(process.argv[2] ?? ''));

/** px. What every output keeps in every engine. */
const LIMIT = 0.5;

const PORT = 4478;
let served: { readonly svg: string; readonly page: string } = { svg: '', page: '' };
const server = createServer(({ url }, response) => {
  const isPage = url?.startsWith('/page') === true;
  response.setHeader('content-type', isPage ? 'text/html; charset=utf-8' : 'image/svg+xml');
  response.end(isPage ? served.page : served.svg);
}).listen(PORT, '127.0.0.1');

const timesOf = (scene: Scene): number[] => {
  const { length } = prepare(scene);
  return Array.from({ length: 60 }, (_, i) => ((i * 0.6180339887 + 0.0417) % 1) * length);
};

/** Its text as it is run elsewhere; what compiles it may name its functions by a helper. */
const text = `(asked) => { const __name = (one) => one; return (${cornersInPage.toString()})(asked); }`;

/** What was found of one output in one place: how far it is off, px, or whether it was seen to play. */
async function found(engine: Engine, place: Place, scene: Scene, svg: string): Promise<number | boolean> {
  const page = place.page(svg, '/file.svg');
  served = { svg, page: page ?? '' };
  await engine.open(`http://127.0.0.1:${PORT}/${page === undefined ? 'file.svg' : 'page'}?${Math.random()}`);
  if (!place.measured) {
    const first = await engine.picture();
    for (let i = 0; i < 10; i++) {
      await later(250);
      if (!(await engine.picture()).equals(first)) return true;
    }
    return false;
  }
  const worst = await gapShown(scene, timesOf(scene), (asked) => engine.run<Corners[][]>(text, asked));
  return worst.gap;
}

interface Row {
  readonly engine: string;
  readonly place: string;
  readonly figure: string;
  readonly kept: boolean;
}

async function rowsOf(engine: Engine): Promise<Row[]> {
  const rows: Row[] = [await jumpRow(engine)];
  for (const place of PLACES) {
    let worst = 0;
    let where = '';
    let still: string[] = [];
    for (const { file, scene } of CHOSEN) {
      const svg = (await write(scene, place.format, place.options)).text;
      const one = await found(engine, place, scene, svg);
      if (typeof one === 'boolean') still = one ? still : [...still, file];
      else if (!(one <= worst)) [worst, where] = [one, file];
    }
    const figure = place.measured
      ? `within ${worst.toFixed(3)} px (${where})`
      : still.length === 0
        ? 'all play'
        : `${still.join(', ')} stood still`;
    const row = { engine: engine.name, place: place.name, figure, kept: worst <= LIMIT && still.length === 0 };
    console.log(`${row.kept ? 'kept  ' : 'BROKEN'}  ${row.engine}, ${row.place}: ${row.figure}`);
    rows.push(row);
  }
  return rows;
}

/** With less motion asked for, an animated SVG has no animation. */
async function calmRow(engine: Engine): Promise<Row> {
  let running = 0;
  for (const { scene } of CHOSEN) {
    const svg = (await write(scene, 'animated-svg')).text;
    served = { svg, page: PLACES[1]?.page(svg, '') ?? '' };
    await engine.open(`http://127.0.0.1:${PORT}/page?${Math.random()}`);
    running += await engine.run<number>('() => document.getAnimations().length', null);
  }
  console.log(`${engine.name}: ${running} animations run`);
  return {
    engine: engine.name,
    place: 'inline',
    figure: running === 0 ? 'all stand' : `${running} animations run`,
    kept: running === 0,
  };
}

/** At the exact time of every event, and at the numbers next to it: one side of it or the other, nothing between. */
async function jumpRow(engine: Engine): Promise<Row> {
  const scene = jumping();
  const asked = eventsAndBeside(scene);
  served = { svg: '', page: PLACES[1]?.page((await write(scene, 'animated-svg')).text, '') ?? '' };
  await engine.open(`http://127.0.0.1:${PORT}/page?${Math.random()}`);
  const shown = await engine.run<Corners[][]>(text, { times: asked.times, boxes: boxesOf(scene), seek: true });
  const { gap, where } = worstOf(scene, asked, shown);
  const row = {
    engine: engine.name,
    place: `inline, at ${asked.times.length} times of events and beside them`,
    figure: `within ${gap.toFixed(3)} px (${where})`,
    kept: gap <= LIMIT,
  };
  console.log(`${row.kept ? 'kept  ' : 'BROKEN'}  ${row.engine}, ${row.place}: ${row.figure}`);
  return row;
}

/** How the Desk itself plays there. */
async function deskRow(engine: Engine): Promise<Row> {
  const row = { engine: engine.name, place: 'the Desk, playing', ...(await deskFrames(engine)) };
  console.log(`${row.kept ? 'kept  ' : 'BROKEN'}  ${row.engine}, ${row.place}: ${row.figure}`);
  return row;
}

/** What the application keeps there. */
async function keptRow(engine: Engine): Promise<Row> {
  const isFirefox = engine.name.startsWith('Firefox');
  const plain = await storageRow(engine);
  const killed = isFirefox && plain.kept ? await killedRow() : plain;
  const figure = isFirefox && plain.kept ? `${plain.figure}; ${killed.figure}` : plain.figure;
  const row = { engine: engine.name, place: 'what is kept', figure, kept: killed.kept };
  console.log(`${row.kept ? 'kept  ' : 'BROKEN'}  ${row.engine}, ${row.place}: ${row.figure}`);
  return row;
}

const rows: Row[] = [];
const versions: string[] = [];
const engines: [() => Promise<Engine>, (engine: Engine) => Promise<Row[]>][] = [
  [() => chromium(1), async (engine) => [...(await rowsOf(engine)), await deskRow(engine), await keptRow(engine)]],
  [() => chromium(2), rowsOf],
  [() => firefox(false), async (engine) => [...(await rowsOf(engine)), await deskRow(engine), await keptRow(engine)]],
  [() => firefox(true), async (engine) => [await calmRow(engine)]],
  [() => webkit(), rowsOf],
  [() => webkit(true), async (engine) => [await deskRow(engine), await keptRow(engine)]],
];
for (const [begin, measure] of engines) {
  const engine = await begin();
  try {
    rows.push(...(await measure(engine)));
    versions.push(`${engine.name} ${engine.version}`);
  } finally {
    await engine.close();
  }
}
server.close();
const table = rows.map(
  ({ engine, place, figure, kept }) => `| ${engine} | ${place} | ${figure} | ${kept ? 'yes' : '**no**'} |`,
);
writeFileSync(
  'bench/engines.md',
  `# Outputs in three engines\n\nWritten by \`npm run engines\`: every sample, at 60 times of its loop beside the evaluator (the corners of every art’s box, at most ${LIMIT} px), and the Desk itself, at most ${DESK_LIMIT} ms a frame. ${versions.join('; ')}.\n\n| engine | place | found | kept |\n| --- | --- | --- | --- |\n${table.join('\n')}\n`,
);
process.exitCode = rows.every(({ kept }) => kept) ? 0 : 1;
