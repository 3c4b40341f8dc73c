import { expect, test } from 'vitest';
import { emptyScene, readScene, writeScene } from '@pace-line/core';
import { textOfScene } from './saving.ts';

test('what is beyond what a file may hold is saved as it is, rather than not at all', () => {
  const scene = emptyScene('Quay');
  expect(textOfScene(scene)).toBe(writeScene(scene));
  const beyond = { ...scene, canvas: { ...scene.canvas, width: 1e9 } };
  expect(JSON.parse(textOfScene(beyond))).toEqual(JSON.parse(JSON.stringify(beyond)));
  const read = readScene(textOfScene(beyond));
  expect(read.ok ? [] : read.problems.map(({ path }) => path)).toEqual(['canvas.width']);
});
