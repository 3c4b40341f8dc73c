import { describe, expect, test } from 'vitest';
import { guideById, distanceOfPlace, pathOfGuide, placeFromText, textOfPlace } from './index.ts';
import { LINE, sceneOf, SQUARE } from '../testing/scenes.ts';

const scene = sceneOf({ guides: [LINE, SQUARE] });
const [line, square] = [guideById(scene, 'line')!, guideById(scene, 'square')!];

function read(guide: typeof line, text: string, near?: number) {
  const path = pathOfGuide(guide);
  const place = placeFromText(guide, path, text, near);
  return (
    place && { by: place.by, distance: distanceOfPlace(guide, path, place), text: textOfPlace(guide, path, place) }
  );
}

describe('places in words', () => {
  const length = pathOfGuide(square).length;
  test('a share stays a share; laps of a closed guide are shares of it', () => {
    expect(read(line, '20 %')).toEqual({ by: 'share', distance: 80, text: '20 %' });
    expect(read(line, '12.5%')).toMatchObject({ by: 'share', distance: 50 });
    expect(read(square, '1.5 laps')).toEqual({ by: 'share', distance: 1.5 * length, text: '150 %' });
    expect(read(square, '−25 %')).toMatchObject({ distance: -0.25 * length });
  });
  test('an open guide has no place before its start or past its end', () => {
    expect(read(line, '120 %')).toBeUndefined();
    expect(read(line, '-1 %')).toBeUndefined();
    expect(read(line, 'c + 5')).toBeUndefined();
  });
  test('a node by its name or id, whatever the case, and so many px beside it', () => {
    expect(read(line, 'b')).toEqual({ by: 'node', distance: 200, text: '200 px' });
    expect(read(line, ' B + 30 px')).toMatchObject({ by: 'node', distance: 230 });
    expect(read(line, 'c - 20')).toMatchObject({ distance: 380 });
    const named = { ...line, nodes: line.nodes.map((node, i) => (i === 1 ? { ...node, name: 'Pier - east' } : node)) };
    expect(read(named, 'pier - east')).toMatchObject({ distance: 200 });
    expect(read(named, 'pier - east + 8')).toMatchObject({ distance: 208 });
  });
  test('on a closed guide a node is meant on the nearest lap', () => {
    const [, second] = square.nodes;
    const at = pathOfGuide(square).starts[1]!;
    expect(read(square, second!.id, 2 * length + 3)).toMatchObject({ distance: at + 2 * length });
  });
  test('numbers, sums and nonsense are not for it', () => {
    for (const text of ['', '320', '3*40', 'nowhere', '20 % of it', '%']) expect(read(line, text)).toBeUndefined();
  });
});
