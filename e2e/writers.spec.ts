import type * as Core from '@pace-line/core';
import { fileURLToPath } from 'node:url';
import { expect, test } from '@playwright/test';
import { build, type Rolldown } from 'vite';
import { pathOfGuide, prepare, renameScene, runsByTime, type Scene } from '@pace-line/core';
import { WRITER_SCENES } from '../core/src/testing/scenes.ts';
import { SAMPLES } from '../samples/scenes.ts';
import { tellingTimes, worstGap } from './motion.ts';
import { write } from './writing.ts';

const scenes: Record<string, Scene> = {
  ...WRITER_SCENES,
  ...Object.fromEntries(SAMPLES.map(({ file, scene }) => [file, scene])),
};

for (const [name, scene] of Object.entries(scenes))
  for (const id of ['animated-svg', 'web-page'])
    test(`${id} of ${name} stays within half a pixel of the evaluator`, async ({ page }) => {
      const file = await write(scene, id);
      await page.setContent(
        id === 'web-page' ? file.text : `<!doctype html><body style="margin:0">${file.text}</body>`,
      );
      const times = tellingTimes(prepare(scene));
      expect(times.length).toBeGreaterThanOrEqual(60);
      const worst = await worstGap(page, scene, times);
      expect(worst.gap, `${worst.rider} at ${worst.time}`).toBeLessThan(0.5);
      // The test sees motion at all: a quarter of a loop away the same check must fail.
      const shifted = await worstGap(
        page,
        {
          ...scene,
          riders: scene.riders.map((r) => ({
            ...r,
            pace: { ...r.pace, delay: r.pace.delay + scene.clock.duration / 4 },
          })),
        },
        times,
      );
      expect(shifted.gap).toBeGreaterThan(1);
    });

test('Node and Chromium write the same bytes', async ({ page }) => {
  const built = (await build({
    configFile: false,
    logLevel: 'silent',
    build: {
      write: false,
      minify: false,
      lib: {
        entry: fileURLToPath(new URL('../core/src/index.ts', import.meta.url)),
        name: 'PaceLineCore',
        formats: ['iife'],
      },
    },
  })) as Rolldown.RolldownOutput[];
  const [chunk] = built[0]?.output ?? [];
  if (!chunk) throw new Error('the core was not bundled');
  await page.setContent('<!doctype html><title>core</title>');
  await page.addScriptTag({ content: chunk.code });
  for (const [name, scene] of Object.entries(scenes))
    for (const id of ['animated-svg', 'web-page']) {
      const there = await page.evaluate(
        async ({ scene, id }) => {
          const core = (globalThis as unknown as { PaceLineCore: typeof Core }).PaceLineCore;
          const format = core.formatById(id)!;
          const { sink, files } = core.memorySink();
          await core.send(scene, format, format.options.parse({}), sink, core.QUIET_RUN);
          return core.textOf(files[0]!);
        },
        { scene, id },
      );
      expect(there === (await write(scene, id)).text, `${id} of ${name}`).toBe(true);
    }
});

test('with less motion asked for nothing of any scene runs, else all of it', async ({ page, browser }) => {
  const calm = await browser.newPage({ reducedMotion: 'reduce' });
  for (const [name, scene] of Object.entries(scenes)) {
    const { text } = await write(scene, 'animated-svg');
    const running: number[] = [];
    for (const one of [page, calm]) {
      await one.setContent(`<!doctype html><body>${text}</body>`);
      running.push(await one.evaluate(() => document.getAnimations().length));
    }
    expect(running[0], name).toBeGreaterThan(0);
    expect(running[1], name).toBe(0);
  }
  await calm.close();
});

test('in an image element it plays, and with reduced motion it stands', async ({ page, browser }) => {
  const file = await write(scenes['eased']!, 'animated-svg');
  const picture = async (p: typeof page): Promise<string> =>
    p.evaluate(async (text) => {
      const image = document.querySelector('img') ?? document.body.appendChild(new Image());
      if (!image.src) {
        image.src = URL.createObjectURL(new Blob([text], { type: 'image/svg+xml' }));
        await image.decode();
      }
      const canvas = document.createElement('canvas');
      canvas.width = 400;
      canvas.height = 300;
      canvas.getContext('2d')?.drawImage(image, 0, 0, 400, 300);
      return canvas.toDataURL();
    }, file.text);
  await page.setContent('<!doctype html><body></body>');
  const first = await picture(page);
  await expect.poll(() => picture(page)).not.toBe(first);

  const calm = await browser.newPage({ reducedMotion: 'reduce' });
  await calm.setContent(`<!doctype html><body>${file.text}</body>`);
  expect(await calm.evaluate(() => document.getAnimations().length)).toBe(0);
  await calm.close();
});

test('nothing is drawn beyond the canvas, guides are not in it, screen readers get a title', async ({ page }) => {
  const [sample] = SAMPLES;
  const file = await write(sample!.scene, 'animated-svg');
  expect(file.text).not.toContain(sample!.scene.guides[0]!.color);
  await page.setContent(
    `<!doctype html><body style="margin:0;background:#fff"><div style="padding:100px">${file.text}</div></body>`,
  );
  await expect(page.getByRole('img', { name: sample!.scene.name })).toBeVisible();
  // The boat begins 90 px left of the canvas: with the clip nothing of it shows there.
  await page.evaluate(() =>
    document.getAnimations().forEach((animation) => {
      animation.pause();
      animation.currentTime = 0;
    }),
  );
  const shot = await page.screenshot({ clip: { x: 0, y: 400, width: 99, height: 300 } });
  const colours = await page.evaluate(async (data) => {
    const image = new Image();
    image.src = `data:image/png;base64,${data}`;
    await image.decode();
    const canvas = document.createElement('canvas');
    canvas.width = image.width;
    canvas.height = image.height;
    const context = canvas.getContext('2d')!;
    context.drawImage(image, 0, 0);
    return new Set(new Uint32Array(context.getImageData(0, 0, image.width, image.height).data.buffer)).size;
  }, shot.toString('base64'));
  expect(colours).toBe(1);
});

test('two outputs in one page do not restyle each other', async ({ page }) => {
  const a = (await write(scenes['eased']!, 'animated-svg')).text;
  const b = (await write(scenes['reversing']!, 'animated-svg')).text;
  const names = (text: string): string[] =>
    [...text.matchAll(/(?:id|class)="([^"]+)"|@keyframes ([\w-]+)/g)].flatMap((match) =>
      (match[1] ?? match[2] ?? '').split(' '),
    );
  expect(names(a).filter((name) => names(b).includes(name))).toEqual([]);
  const animated = (text: string): number => text.split('@keyframes').length - 1;
  expect(animated(a)).toBeGreaterThan(0);
  await page.setContent(`<!doctype html><body>${a}${b}</body>`);
  expect(await page.evaluate(() => document.getAnimations().length)).toBe(animated(a) + animated(b));
});

test('a guide drawn in the output: whole, or drawn by its rider just as far as it has gone', async ({ page }) => {
  for (const name of ['eased', 'dwelling', 'there-and-back', 'reversing']) {
    const base = WRITER_SCENES[name]!;
    const rider = base.riders.find((one) => one.guide !== null)!;
    const guide = base.guides.find((one) => one.id === rider.guide)!;
    const scene: Scene = {
      ...base,
      guides: base.guides.map((one) =>
        one.id === guide.id
          ? { ...one, stroke: { color: '#A3471F', width: 4, dash: null, draws: rider.id } }
          : { ...one, stroke: { color: '#0B7A75', width: 2, dash: [6, 4], draws: null } },
      ),
    };
    await page.setContent(`<!doctype html><body style="margin:0">${(await write(scene, 'animated-svg')).text}</body>`);
    const motion = prepare(scene);
    const index = scene.riders.indexOf(scene.riders.find((one) => one.id === rider.id)!);
    const length = pathOfGuide(guide).length;
    const times = Array.from({ length: 60 }, (_, i) => ((i * 0.6180339887 + 0.137) % 1) * motion.length);
    const shown = await page.evaluate((list) => {
      const path = document.querySelector<SVGPathElement>('path[pathLength]');
      if (!path) throw new Error('no drawn guide');
      const animations = document.getAnimations();
      animations.forEach((animation) => animation.pause());
      return list.map((time) => {
        animations.forEach((animation) => (animation.currentTime = time * 1000));
        return 1 - Number.parseFloat(getComputedStyle(path).strokeDashoffset);
      });
    }, times);
    const drawn = times.map((time) => Math.min(1, Math.max(0, motion.riders[index]!.distanceAt(time) / length)));
    expect(Math.max(...drawn) - Math.min(...drawn), name).toBeGreaterThan(0.3);
    shown.forEach((share, i) =>
      expect(Math.abs(share - drawn[i]!) * length, `${name} at ${times[i]}`).toBeLessThan(0.5),
    );
    if (scene.guides.length > 1)
      await expect(page.locator('path[stroke-dasharray="6 4"]')).toHaveCount(scene.guides.length - 1);
  }
});

test('outputs are well-formed XML, and a page that allows nothing but styles of its own runs them', async ({
  page,
}) => {
  const said: string[] = [];
  page.on('console', (message) => said.push(message.text()));
  let body = '';
  let type = '';
  const plain = "default-src 'none'; style-src 'unsafe-inline'; img-src data:";
  let policy = plain;
  await page.route('**/output', (route) =>
    route.fulfill({ body, headers: { 'content-type': type, 'content-security-policy': policy } }),
  );
  const odd = renameScene(SAMPLES[0]?.scene as Scene, { name: 'A & <b> "c" \u0001\uD800 ]]>' });
  for (const scene of [...Object.values(scenes), odd])
    for (const id of ['animated-svg', 'web-page']) {
      const { text } = await write(scene, id);
      // Chromium reads XML by the same library as the usual checker of the command line.
      const svg = id === 'web-page' ? text.slice(text.indexOf('<svg'), text.lastIndexOf('</svg>') + 6) : text;
      const wrong = await page.evaluate(
        (xml) => new DOMParser().parseFromString(xml, 'image/svg+xml').querySelector('parsererror')?.textContent,
        svg,
      );
      expect(wrong).toBeUndefined();
      [body, type] = [text, id === 'web-page' ? 'text/html' : 'image/svg+xml'];
      // What is driven by more than time has one script, which it allows itself.
      const isDriven = id === 'web-page' && !runsByTime(scene.driver);
      policy = isDriven ? `${plain}; script-src 'unsafe-inline'` : plain;
      await page.goto('/output');
      expect(await page.evaluate(() => document.getAnimations().length)).toBeGreaterThan(0);
    }
  expect(said).toEqual([]);
});
