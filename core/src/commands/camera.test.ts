import { expect, test } from 'vitest';
import { riderById } from '../scene/index.ts';
import { BOX_ART, LINE, riderOn, sceneOf } from '../testing/scenes.ts';
import { setCamera, setRider } from './index.ts';

const scene = sceneOf({
  art: [BOX_ART],
  guides: [LINE],
  riders: [riderOn('near', 'line', []), riderOn('far', 'line', [])],
});
const sent = (of: typeof scene): boolean[] => ['near', 'far'].map((id) => riderById(of, id)!.output);

test('what becomes the camera is not sent, what no longer is it is sent again', () => {
  const first = setCamera(scene, { rider: 'near' });
  expect([first.camera, ...sent(first)]).toEqual(['near', false, true]);
  const second = setCamera(first, { rider: 'far' });
  expect(sent(second)).toEqual([true, false]);
  expect(sent(setCamera(second, { rider: null }))).toEqual([true, true]);
});

test('that its drawing is to be in the picture stays as it was said', () => {
  const seen = setRider(setCamera(scene, { rider: 'near' }), { id: 'near', patch: { output: true } });
  expect(setCamera(seen, { rider: 'near' })).toBe(seen);
});
