import { beforeEach, expect, test } from 'vitest';
import { emptyScene, newRider, riderById, setIn, type Scene } from '@pace-line/core';
import { NOTHING, selectRider } from '../../document/index.ts';
import type { SceneDocument } from '../../document/store.ts';
import { BOX_ART } from '../testing.ts';
import type { ToolHost } from '../tool.ts';
import { adjustTool, pressTwice } from './adjust.ts';
import { toolBench } from './testing.ts';

/** A canvas of 200 × 100 px with a box in its middle, set in at 400, 300. */
function around(): Scene {
  const empty = emptyScene('Lantern');
  const inner: Scene = {
    ...empty,
    canvas: { width: 200, height: 100, background: '#FFFFFF' },
    art: [BOX_ART],
    riders: [newRider({ id: 'lamp', name: 'Lamp', art: BOX_ART.id, at: [100, 50] })],
  };
  return setIn(emptyScene('Quay'), { inner, at: [400, 300], size: 1, duration: 4 });
}

const bench = toolBench(around);
const { at, click, drag } = bench;
let doc: SceneDocument;
let host: ToolHost;
const selected = () => doc.state.selection;
const nameOf = (id: string | undefined) => riderById(doc.state.committed, id ?? '')?.name;

beforeEach(() => {
  ({ doc, host } = bench.reset());
});

test('a press on anything in a scene that was set in selects all of it; dragged it moves whole', () => {
  const tool = adjustTool(host);
  click(tool, at(400, 300));
  expect(selected().riders.map(nameOf)).toEqual(['Lantern']);
  click(tool, at(400, 300));
  expect(selected().riders.map(nameOf)).toEqual(['Lantern']);
  drag(tool, at(400, 300), at(450, 320));
  const [holder] = doc.state.committed.riders;
  expect(holder!.at).toEqual([450, 320]);
  expect(doc.state.committed.riders.find(({ name }) => name === 'Lamp')!.at).toEqual([100, 50]);
});

test('pressed twice it is entered: what is in it is pressed by itself until something else is selected', () => {
  const tool = adjustTool(host);
  click(tool, at(400, 300));
  pressTwice(host, at(400, 300));
  expect(selected().riders.map(nameOf)).toEqual(['Lamp']);
  drag(tool, at(400, 300), at(430, 310));
  expect(doc.state.committed.riders.map(({ name, at: [x, y] }) => [name, x, y])).toEqual([
    ['Lantern', 400, 300],
    ['Lamp', 130, 60],
  ]);
  host.select(NOTHING);
  click(tool, at(430, 310));
  expect(selected().riders.map(nameOf)).toEqual(['Lantern']);
});

test('a box takes it whole', () => {
  const tool = adjustTool(host);
  drag(tool, at(200, 200), at(600, 400));
  expect(selected()).toEqual(selectRider(doc.state.committed.riders[0]!.id));
});

test('a scene within a scene: each double press enters one level', () => {
  const outer = setIn(emptyScene('Harbour'), { inner: around(), at: [400, 300], size: 1, duration: 4 });
  const { doc: whole, host: inHarbour } = bench.reset(outer);
  [doc, host] = [whole, inHarbour];
  const { width, height } = outer.canvas;
  const lamp = [800 - width / 2, 600 - height / 2] as const;
  const tool = adjustTool(host);
  const entered: (string | undefined)[] = [];
  click(tool, at(...lamp));
  entered.push(nameOf(selected().riders[0]));
  for (let i = 0; i < 2; i++) {
    pressTwice(host, at(...lamp));
    entered.push(nameOf(selected().riders[0]));
  }
  expect(entered).toEqual(['Quay', 'Lantern', 'Lamp']);
});
