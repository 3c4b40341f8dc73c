import { expect, test } from 'vitest';
import { emptyScene, readScene, writeScene } from '@pace-line/core';
import { fileOfScene } from './saving.ts';

test('what is beyond what a file may hold is saved as a file that opens, and what was cut is said', () => {
  const scene = emptyScene('Quay');
  expect(fileOfScene(scene)).toEqual({ text: writeScene(scene), cut: [] });
  const beyond = fileOfScene({ ...scene, canvas: { ...scene.canvas, width: 1e9 } });
  expect(readScene(beyond.text)).toEqual({ ok: true, scene });
  expect(beyond.cut).toEqual([expect.stringMatching(/^its canvas is that of a new scene: canvas.width/)]);
});
