import { expect, test } from 'vitest';
import { SaxesParser } from 'saxes';
import { carriedScene } from '../scene/packed.ts';
import { WRITER_SCENES } from '../testing/scenes.ts';
import { FORMATS, formatById, memorySink, QUIET_RUN, send, textOf } from './index.ts';

const scene = WRITER_SCENES['eased']!;

async function firstOf(id: string, options: object): Promise<string> {
  const format = formatById(id)!;
  const { sink, files } = memorySink();
  await send(scene, format, format.options.parse(options), sink, QUIET_RUN);
  return textOf(files[0]!);
}

const CARRIERS = FORMATS.filter(({ options }) => 'credit' in options.shape).map(({ id }) => id);
const HARMFUL = 'Lantern Quay */ --> </script><!-- *//\u2028\n by us -';

test('every text for pages and players can have a line of credit', () => {
  expect(CARRIERS).toEqual(['animated-svg', 'web-page', 'module', 'react', 'css', 'lottie']);
});

test.each(CARRIERS)(
  'a line of credit of %s is at its end, beside a scene that it carries, and ends nothing',
  async (id) => {
    const plain = await firstOf(id, {});
    const credited = await firstOf(id, { credit: 'By Lantern Quay, CC BY 4.0' });
    expect(credited).toContain('By Lantern Quay, CC BY 4.0');
    const both = await firstOf(id, { credit: HARMFUL, carry: true });
    expect(carriedScene(both)).toBeDefined();
    if (id === 'lottie') {
      const read = JSON.parse(both) as { meta: { a: string; d: string } };
      expect(read.meta.a).toContain('Lantern Quay');
      expect(credited.startsWith(plain.trimEnd().slice(0, -1))).toBe(true);
      return;
    }
    // What it says stands after all that was there, in one comment.
    const start = plain.trimEnd();
    expect(credited.startsWith(start)).toBe(true);
    expect(both.startsWith(start)).toBe(true);
    const [line = '', ...more] = both.slice(start.length).trim().split('\n');
    expect(more).toHaveLength(1);
    const inside = line.replace(/^(?:<!--|\/\*!) /, '').replace(/ (?:-->|\*\/)$/, '');
    expect(inside).toMatch(/^Lantern Quay/);
    expect(inside).not.toMatch(/--|\*\/|<[/!]|[\u2028\n]|-$/);
  },
);

test('a drawing with such a line is well-formed', async () => {
  const parser = new SaxesParser();
  const errors: Error[] = [];
  parser.on('error', (error) => errors.push(error));
  parser.write(await firstOf('animated-svg', { credit: HARMFUL })).close();
  expect(errors).toEqual([]);
});
