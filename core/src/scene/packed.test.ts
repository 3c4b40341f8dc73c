import { deflateSync } from 'fflate';
import { base64, base64urlnopad } from '@scure/base';
import { expect, test } from 'vitest';
import { WRITER_SCENES } from '../testing/scenes.ts';
import { writeScene } from './file.ts';
import { carried, carriedScene, linked, linkedScene } from './packed.ts';

test('a scene comes back as it was, from a file that carries it and from an address', () => {
  for (const scene of Object.values(WRITER_SCENES)) {
    const found = carriedScene(`<svg/>\n<!-- ${carried(scene)} -->\n`);
    expect(found?.ok && writeScene(found.scene)).toBe(writeScene(scene));
    const link = linked(scene);
    expect(link).toMatch(/^[\w-]+$/);
    const there = linkedScene(link);
    expect(there.ok && writeScene(there.scene)).toBe(writeScene(scene));
  }
});

test('a file without one has none; one that is cut short, or is none, is refused with words', () => {
  expect(carriedScene('<svg/>')).toBeUndefined();
  const link = linked(Object.values(WRITER_SCENES)[0]!);
  for (const bad of [link.slice(0, 200), 'a', '%%%', '', base64urlnopad.encode(deflateSync(new Uint8Array([1, 2])))])
    expect(linkedScene(bad)).toMatchObject({ ok: false, problems: [{ message: expect.any(String) as string }] });
  expect(carriedScene(`pace-line-scene:${base64.encode(new Uint8Array([9, 9, 9]))}`)).toMatchObject({ ok: false });
});

test('what unpacks to far more than a scene may have is given up', () => {
  const bomb = deflateSync(new Uint8Array(300 * 1024 * 1024), { level: 9 });
  expect(bomb.length).toBeLessThan(400_000);
  const found = linkedScene(base64urlnopad.encode(bomb));
  expect(found).toMatchObject({ ok: false, problems: [{ message: expect.stringContaining('100 MB') as string }] });
});
