import { describe, expect, test } from 'vitest';
import { foldersOf, formatById, keptOutput, readOutput } from '../export/index.ts';
import { MOST_OUTPUTS, MOST_SETS, readScene, writeScene, type Output, type Scene } from '../scene/index.ts';
import { sceneOf } from '../testing/scenes.ts';
import { addSet, deleteSet, dropOutput, isSameOutput, keepOutput, renameSet } from './index.ts';

const gif = (options: Output['options'] = {}): Output => ({ format: 'gif', options });
const svg: Output = { format: 'animated-svg', options: {} };
const begun = (): Scene => addSet(sceneOf({}), { id: 'site', name: ' For the site ', output: svg });

describe('sets of outputs', () => {
  test('are begun with an output, grow, shrink, and go with their last', () => {
    let scene = begun();
    expect(scene.sets).toEqual([{ id: 'site', name: 'For the site', outputs: [svg] }]);
    scene = keepOutput(scene, { set: 'site', output: gif({ scale: 2 }) });
    scene = keepOutput(scene, { set: 'site', output: gif() });
    expect(scene.sets[0]!.outputs).toEqual([svg, gif({ scale: 2 }), gif()]);
    scene = renameSet(dropOutput(scene, { set: 'site', at: 1 }), { set: 'site', name: 'Site' });
    expect(scene.sets).toEqual([{ id: 'site', name: 'Site', outputs: [svg, gif()] }]);
    scene = dropOutput(dropOutput(scene, { set: 'site', at: 0 }), { set: 'site', at: 0 });
    expect(scene.sets).toEqual([]);
    expect(deleteSet(begun(), { set: 'site' }).sets).toEqual([]);
  });

  test('are kept with the scene', () => {
    const scene = keepOutput(begun(), { set: 'site', output: gif({ scale: 2, title: 'é' }) });
    const read = readScene(writeScene(scene));
    expect(read.ok && read.scene).toEqual(scene);
  });

  test('refuse what does not apply, with a reason', () => {
    const scene = begun();
    const codeOf = (refused: { readonly code: string } | undefined): string | undefined => refused?.code;
    expect(codeOf(addSet.can(scene, { id: 'site', name: 'B', output: svg }))).toBe('id-taken');
    expect(codeOf(addSet.can(scene, { id: 'b', name: '  ', output: svg }))).toBe('empty-name');
    expect(codeOf(keepOutput.can(scene, { set: 'none', output: svg }))).toBe('no-set');
    expect(codeOf(keepOutput.can(scene, { set: 'site', output: { ...svg, options: {} } }))).toBe('kept-already');
    expect(codeOf(dropOutput.can(scene, { set: 'site', at: 1 }))).toBe('no-output');
    expect(codeOf(renameSet.can(scene, { set: 'site', name: '' }))).toBe('empty-name');
    expect(codeOf(deleteSet.can(scene, { set: 'none' }))).toBe('no-set');
    const full = {
      ...scene,
      sets: Array.from({ length: MOST_SETS }, (_, i) => ({
        ...{ id: `s${i}`, name: 'S' },
        outputs: Array.from({ length: MOST_OUTPUTS }, (_, k) => gif({ scale: k })),
      })),
    };
    expect(codeOf(addSet.can(full, { id: 'b', name: 'B', output: svg }))).toBe('too-many-sets');
    expect(codeOf(keepOutput.can(full, { set: 's3', output: svg }))).toBe('too-many-outputs');
  });

  test('two outputs are the same by format and every option', () => {
    expect(isSameOutput(gif({ a: 1, b: true }), gif({ b: true, a: 1 }))).toBe(true);
    for (const other of [
      gif({ a: 1 }),
      gif({ a: 1, b: false }),
      gif({ a: 1, c: true }),
      { ...svg, options: { a: 1, b: true } },
    ])
      expect(isSameOutput(gif({ a: 1, b: true }), other)).toBe(false);
  });

  test.each([
    [
      'an option called as something that every object has',
      { sets: [{ id: 's', name: 'S', outputs: [{ format: 'gif', options: { __proto__x: 1 } }] }] },
    ],
    ['a format that is a path', { sets: [{ id: 's', name: 'S', outputs: [{ format: '../gif' }] }] }],
    ['a set of nothing', { sets: [{ id: 's', name: 'S', outputs: [] }] }],
    ['an id that is taken', { sets: [{ id: 'box', name: 'S', outputs: [{ format: 'gif' }] }] }],
    ['an option that is a list', { sets: [{ id: 's', name: 'S', outputs: [{ format: 'gif', options: { a: [1] } }] }] }],
  ])('%s is refused in a file', (_, parts) => {
    expect(() => sceneOf(parts)).toThrow();
  });
});

describe('an output that is kept', () => {
  const format = formatById('gif')!;
  test('holds what is not the format’s own, and is read to all of it', () => {
    const options = { ...format.options.parse({}), scale: 2 };
    expect(keptOutput(format, options)).toEqual({ format: 'gif', options: { scale: 2 } });
    expect(readOutput(gif({ scale: 2 }))).toEqual({ ok: true, format, options });
  });
  test('is not written where it is of another program, and says why', () => {
    expect(readOutput({ format: 'hologram', options: {} })).toEqual({
      ok: false,
      message: 'there is no format "hologram"',
    });
    expect(readOutput(gif({ depth: 3 }))).toMatchObject({
      ok: false,
      message: expect.stringContaining('depth') as string,
    });
    expect(readOutput(gif({ scale: -1 }))).toMatchObject({
      ok: false,
      message: expect.stringContaining('scale') as string,
    });
  });
  test('has a folder where its file would take another’s place', () => {
    const outputs = [
      svg,
      gif(),
      gif({ scale: 2 }),
      gif({ scale: 2, dither: true }),
      { format: 'react', options: {} },
      { format: 'guides-svg', options: {} },
    ];
    expect(foldersOf({ id: 's', name: 'S', outputs })).toEqual(['', '', 'gif-2x', 'gif-2x-2', 'react', 'guides-svg']);
  });
});
