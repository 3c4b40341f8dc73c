import { expect, test, type Page } from '@playwright/test';
import { FORMATS, newGuide, newRider, readScene, type Scene } from '@pace-line/core';
import { write } from './writing.ts';

/** Names that mean harm to whatever they are written into. */
const NAMES = [
  '</style><script>window.hit = "style"</script>',
  '</script><script>window.hit = "script"</script>',
  '*/ body { display: none } /* <img src=x onerror="window.hit = 1">',
  '" onload="window.hit = \'attribute\'" x="',
  "' onload='window.hit = \"single\"' x='",
  '--><script>window.hit = "comment"</script><!--',
  ']]><script>window.hit = "cdata"</script>',
  '<!--<script>',
  '${window.hit = "template"}`',
  '\\"+(window.hit="escape")+"\u2028window.hit = "line"',
  '</title></textarea></noscript><svg onload="window.hit = 1">',
];

const markup = '<svg xmlns="http://www.w3.org/2000/svg" viewBox="0 0 10 10"><rect width="10" height="10"/></svg>';

/** A scene in which everything that has a name has one of these. */
function sceneOfNames(): Scene {
  const name = (i: number): string => NAMES[i % NAMES.length] ?? '';
  const given = {
    ...{ format: 'pace-line/scene', version: 9, name: name(0) },
    canvas: { width: 200, height: 100, background: null },
    clock: { duration: 1, fps: 10, repeat: 'loop' },
    art: NAMES.map((_, i) => ({
      ...{ id: `art${i}`, name: name(i + 1), kind: 'svg', markup, width: 10, height: 10, pivot: [5, 5] },
    })),
    guides: NAMES.map((_, i) =>
      newGuide({
        ...{ id: `way${i}`, name: name(i + 2), color: '#0B7A75', closed: false },
        nodes: [
          { id: `a${i}`, x: 10, y: 10 + i, name: name(i + 3), join: 'corner' as const },
          { id: `b${i}`, x: 190, y: 20 + i, name: name(i + 4), join: 'corner' as const },
        ],
      }),
    ),
    riders: NAMES.map((_, i) => ({
      ...newRider({ id: `rider${i}`, name: name(i), art: `art${i}`, guide: `way${i}` }),
      pace: {
        marks: [
          { id: `m${i}`, time: 0, place: { by: 'share', value: 0 } },
          { id: `n${i}`, time: 1, place: { by: 'share', value: 1 } },
        ],
      },
    })),
    assets: {},
  };
  const read = readScene(JSON.stringify(given));
  if (!read.ok) throw new Error(JSON.stringify(read.problems.slice(0, 3)));
  return read.scene;
}

const attribute = (text: string): string => text.replace(/&/g, '&amp;').replace(/"/g, '&quot;');

/** Where the text of a format is put in a page, by its type; what runs is what its own script does. */
const PLACES: Readonly<Record<string, (text: string) => string>> = {
  'text/css': (text) => `<style>${text}</style>`,
  'text/javascript': (text) => `<script type="module" nonce="own">${text}</script>`,
  'application/json': (text) => `<script type="application/json">${text}</script>`,
  'image/svg+xml': (text) => `${text}<img alt="" src="data:image/svg+xml,${encodeURIComponent(text)}">`,
  'text/html': (text) => `<iframe srcdoc="${attribute(text)}"></iframe>`,
  'text/csv': (text) => `<pre title="${attribute(text)}"></pre>`,
};

/** Shows a page with something pasted into it; what came of it that was not meant. */
async function pasted(page: Page, piece: string, policy: string): Promise<unknown> {
  const errors: string[] = [];
  const hear = (error: Error): number => errors.push(error.message);
  page.on('pageerror', hear);
  const csp = policy && `<meta http-equiv="Content-Security-Policy" content="${policy}">`;
  await page.route('**/pasted.html', (route) =>
    route.fulfill({
      contentType: 'text/html; charset=utf-8',
      body: `<!doctype html><html><head><title>own</title>${csp}</head><body><p id="before">before</p>${piece}<p id="after">after</p></body></html>`,
    }),
  );
  await page.goto('/pasted.html');
  await page.waitForTimeout(100);
  page.off('pageerror', hear);
  await page.unroute('**/pasted.html');
  const frames = await Promise.all(
    page.frames().map((frame) => frame.evaluate(() => (window as unknown as { hit?: unknown }).hit ?? null)),
  );
  const stands = await page.evaluate(() => ({
    paragraphs: document.querySelectorAll('body > p').length,
    last: document.body.lastElementChild?.id,
    isShown: getComputedStyle(document.body).display !== 'none',
    strangers: document.querySelectorAll('body > :not(p, style, script, svg, img, iframe, pre)').length,
    title: document.title,
  }));
  return { hits: frames.filter(Boolean), errors, ...stands };
}

const AS_MEANT = { hits: [], errors: [], paragraphs: 2, last: 'after', isShown: true, strangers: 0, title: 'own' };

const policies = [
  ['without a policy', ''],
  [
    'with a strict policy',
    "default-src 'none'; script-src 'nonce-own'; style-src 'unsafe-inline'; img-src data:; frame-src 'self'",
  ],
] as const;

for (const [words, policy] of policies)
  test(`what is sent is pasted ${words} into every place that it may have, with names that mean harm`, async ({
    page,
  }) => {
    test.slow();
    const scene = sceneOfNames();
    const texts = FORMATS.filter(
      ({ needs, id }) => needs !== 'pixels' && !['scene', 'chart-pdf', 'react'].includes(id),
    );
    expect(texts.length).toBeGreaterThan(9);
    for (const { id, type } of texts) {
      const { text } = await write(scene, id);
      const place = PLACES[type];
      if (!place) throw new Error(`${id}: ${type} has no place`);
      expect({ id, ...((await pasted(page, place(text), policy)) as object) }).toEqual({ id, ...AS_MEANT });
    }
  });

test('as JSON the names are what they were', async () => {
  const scene = sceneOfNames();
  const { text } = await write(scene, 'lottie');
  const layers = (JSON.parse(text) as { layers: { nm?: string }[] }).layers.map(({ nm }) => nm);
  for (const { name } of scene.riders) expect(layers).toContain(name);
});
