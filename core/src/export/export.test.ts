import { describe, expect, test } from 'vitest';
import { z } from '../zod.ts';
import type { Scene } from '../scene/index.ts';
import { plainPixels } from '../testing/painter.ts';
import { LAYERED_SCENES, LINE, riderOn, sceneOf, WRITER_SCENES } from '../testing/scenes.ts';
import {
  AbortedError,
  bytesOf,
  describeOptions,
  FORMATS,
  formatById,
  formatNumber,
  lostFeatures,
  memorySink,
  QUIET_RUN,
  readOptions,
  type Format,
  send,
} from './index.ts';

/** Pixels are few in a test. */
const smallOf = ({ needs }: Format): object => (needs === 'pixels' ? { scale: 0.1, fps: 5 } : {});

async function written(scene: Scene, id: string, given: object = {}): Promise<{ name: string; text: string }> {
  const format = formatById(id)!;
  const { sink, files } = memorySink();
  await send(scene, format, format.options.parse({ ...smallOf(format), ...given }), sink, QUIET_RUN, plainPixels);
  return { name: files[0]!.name, text: new TextDecoder().decode(bytesOf(files[0]!)) };
}

test.each(['animated-svg', 'web-page', 'module'])(
  '%s is delivered at a scale: its size is that, and its keys are as fine as that needs',
  async (id) => {
    const scene = WRITER_SCENES['hairpin']!;
    const [plain, large] = [await written(scene, id), await written(scene, id, { scale: 4 })];
    const widthOf = (text: string): number => Number(/width=\\?"(\d+)/.exec(text)?.[1]);
    expect(widthOf(large.text)).toBe(4 * widthOf(plain.text));
    const viewOf = (text: string): string | undefined => /viewBox=\\?"([^"\\]+)/.exec(text)?.[1];
    expect(viewOf(large.text)).toBe(viewOf(plain.text));
    expect(large.text.length).toBeGreaterThan(1.05 * plain.text.length);
  },
);

describe.each(FORMATS.map(({ id }) => id))('%s', (id) => {
  test('the same scene gives the same bytes', async () => {
    expect((await written(WRITER_SCENES['eased']!, id)).text).toBe(
      (await written({ ...WRITER_SCENES['eased']! }, id)).text,
    );
  });
  test('an abort ends it, and progress only grows', async () => {
    const shares: number[] = [];
    const run = { progress: (share: number) => void shares.push(share), signal: { aborted: false } };
    const format = formatById(id)!;
    await send(
      WRITER_SCENES['eased']!,
      format,
      format.options.parse(smallOf(format)),
      memorySink().sink,
      run,
      plainPixels,
    );
    expect(shares.at(-1)).toBe(1);
    shares.forEach((share, i) => expect(share).toBeGreaterThanOrEqual(shares[i - 1] ?? 0));
    const stopped = send(
      WRITER_SCENES['eased']!,
      format,
      format.options.parse({}),
      memorySink().sink,
      {
        ...run,
        signal: { aborted: true },
      },
      plainPixels,
    );
    await expect(stopped).rejects.toBeInstanceOf(AbortedError);
  });
  test('its options have words and defaults', () => {
    const format = formatById(id)!;
    for (const option of describeOptions(format)) expect(option.about).not.toBe('');
    expect(readOptions(format, {}).ok).toBe(true);
    expect(readOptions(format, { nonsense: 1 })).toMatchObject({ ok: false });
  });
});

test.each(['animated-svg', 'web-page', 'module'])(
  '%s is light to play from seventeen riders on, or where that is asked for; else as small as can be',
  async (id) => {
    const crowd = (count: number): Scene => ({
      ...WRITER_SCENES['eased']!,
      riders: Array.from({ length: count }, (_, i) => ({
        ...WRITER_SCENES['eased']!.riders[0]!,
        id: `r${i}`,
        name: `R ${i}`,
      })),
    });
    const isLight = async (scene: Scene, given?: object): Promise<boolean> =>
      /\{translate:|"X", \[/.test((await written(scene, id, given)).text);
    expect(await isLight(crowd(16))).toBe(false);
    expect(await isLight(crowd(17))).toBe(true);
    expect(await isLight(crowd(17), { plays: 'small' })).toBe(false);
    expect(await isLight(crowd(1), { plays: 'light' })).toBe(true);
    // With none WebKit would take the attribute's beside the place: found by `npm run engines`.
    expect((await written(crowd(1), id, { plays: 'light' })).text).not.toContain('transform:none');
    // What is not sent is not played.
    const { riders, ...more } = crowd(17);
    expect(await isLight({ ...more, riders: riders.map((one, i) => ({ ...one, output: i > 0 })) })).toBe(false);
  },
);

describe('web writers', () => {
  test('another scene gives other names, so that two drawings can stand in one page', async () => {
    const prefix = async (name: string): Promise<string> =>
      /pl[0-9a-f]{8}/.exec((await written(WRITER_SCENES[name]!, 'animated-svg')).text)![0];
    expect(await prefix('eased')).not.toBe(await prefix('lifted'));
  });
  test.each(['animated-svg', 'web-page'])('%s: names and titles are escaped', async (id) => {
    const { name, text } = await written({ ...WRITER_SCENES['eased']!, name: '<script>alert("1")</script> & co' }, id);
    expect(text).not.toContain('<script>');
    expect(name).toMatch(/^scriptalert1script-co\.(svg|html)$/);
  });
  test('what stands still has no keyframes', async () => {
    const { text } = await written(
      sceneOf({ riders: [{ id: 'p', name: 'P', art: 'box', guide: null }] }),
      'animated-svg',
    );
    expect(text).not.toContain('@keyframes');
  });
});

// A viewer that knows clips as attributes only, and paints nothing for them, showed white pictures (seen in one that draws thumbnails).
test.each(['animated-svg', 'web-page', 'module'])('%s clips by rules of style, by no attribute', async (id) => {
  const sentText = (await written(LAYERED_SCENES['inside, outside, at a mark']!, id)).text;
  // A module holds its drawing as a literal.
  const text = sentText.replaceAll('\\x3c', '<').replaceAll('\\', '');
  const clips = [...text.matchAll(/<clipPath id="([\w-]+)/g)].map(([, name]) => name!);
  expect(clips.length).toBeGreaterThan(2);
  for (const name of clips) {
    // A module has its rules on its elements: it is put into pages that allow no style sheet.
    const own = id === 'module' ? ` style="clip-path:url(#${name})"` : '';
    if (!own) expect(text).toContain(`.${name}{clip-path:url(#${name})}`);
    expect(text).toContain(`<g class="${name}"${own}`);
  }
  expect(text).not.toMatch(/ clip-path=/);
});

describe('features', () => {
  const dashed = sceneOf({
    guides: [{ ...LINE, stroke: { color: '#000000', width: 2, dash: [4, 2], draws: 'r' } }],
    riders: [riderOn('r', 'line', [{ time: 0, place: { by: 'node', node: 'a' } }])],
  });
  test('what is lost is said once, and by the widest word', () => {
    expect(lostFeatures(dashed, ['art', 'background', 'strokes', 'drawn-strokes'])).toEqual([
      'The dashes of “Line”: a rider draws the line whole.',
    ]);
    expect(lostFeatures(dashed, ['art', 'background'])).toEqual(['The lines of “Line”.']);
    expect(lostFeatures(WRITER_SCENES['eased']!, ['art', 'background'])).toEqual([]);
  });
  test('an option of a kind that no form knows is found when the formats are listed', () => {
    const odd = { ...FORMATS[0]!, options: z.object({ when: z.date().default(new Date(0)) }) };
    expect(() => describeOptions(odd)).toThrow(/no form/);
  });
});

test.each([
  [1.23456, 2, '1.23'],
  [-0.0001, 3, '0'],
  [-0, 3, '0'],
  [100, 3, '100'],
  [0.1 + 0.2, 6, '0.3'],
  [12.3455, 3, '12.346'],
  [1e-7, 6, '0'],
  [0.000001, 6, '0.000001'],
  [1200, 0, '1200'],
])('%f with %i decimals is %s', (value, digits, text) => expect(formatNumber(value, digits)).toBe(text));
