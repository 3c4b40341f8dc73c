// @vitest-environment node
import { expect, test, vi } from 'vitest';
import { emptyScene } from '@pace-line/core';
import { LOOPS, riderOn, sceneOf } from '../../../../core/src/testing/scenes.ts';
import { tell } from '../../look/notices.tsx';
import { RECIPES } from '../../recipes/index.ts';
import { deskBench } from '../actions/testing.ts';
import { CARD_GROUPS } from '../cards/index.ts';
import { entriesOf } from './entries.ts';
import { FindIndex } from '../../find/search.ts';

vi.mock('../../look/notices.tsx', () => ({ tell: vi.fn(), warn: vi.fn() }));

const scene = sceneOf({ guides: [LOOPS], riders: [riderOn('boat', 'loops', [], { name: 'Paper boat' })] });
const entries = entriesOf(deskBench(scene), scene, () => undefined);
const index = new FindIndex(entries);

test('what does it comes before what tells of it', () => {
  expect(['fade', 'wheel', 'backwards', 'shadow'].map((question) => index.find(question)[0]!.where)).not.toContain(
    'Help',
  );
  expect(index.find('fade')[0]!.title).toBe('Opacity');
});

test('what the scene has comes before what is sent of it', () => {
  expect(index.find('frame rate')[0]!.where).toBe('Scene card');
});

test('what Help tells to add is there by that name', () => {
  const titles = CARD_GROUPS.flatMap(({ groups }) => groups.map(({ title }) => title));
  const told = RECIPES.flatMap(({ steps }) => steps.flatMap(({ says }) => [...says.matchAll(/Add… “([^”]+)”/g)]));
  expect(told.length).toBeGreaterThan(10);
  expect(told.map(([, title]) => title).filter((title) => !titles.includes(title!))).toEqual([]);
});

/** What people ask, and what they mean: one of these is among the first three. */
const QUESTIONS: readonly (readonly [question: string, ...meant: string[]])[] = [
  ['fade', 'Opacity'],
  ['fade in', 'Opacity', 'Entrance'],
  ['reverse', 'Reverse the guide', 'Play backwards, mirror, scale times'],
  ['play backwards', 'Play backwards, mirror, scale times'],
  ['slow down', 'Change speed', 'Easing of the next leg'],
  ['speed up', 'Change speed', 'Easing of the next leg'],
  ['shadow', 'Fixed offset', 'Carried by another rider'],
  ['bigger', 'Scale', 'Scale by', 'Scale and rotate'],
  ['smaller', 'Scale', 'Scale by', 'Scale and rotate'],
  ['backwards', 'Reverse the guide', 'Play backwards, mirror, scale times', 'Art faces'],
  ['upright', 'When heading left', 'Orientation'],
  ['mute', 'Contents: show, hide, lock, order'],
  ['hide', 'Contents: show, hide, lock, order'],
  ['lock', 'Contents: show, hide, lock, order'],
  ['wheel', 'Roll'],
  ['how do I make it roll', 'Roll'],
  ['ball', 'Roll'],
  ['start later', 'Delay'],
  ['wait', 'Rest', 'Delay'],
  ['pause', 'Rest', 'Play or pause'],
  ['rest one second', 'Rest'],
  ['behind', 'Behind another rider'],
  ['mask', 'Clip to a guide'],
  ['parent', 'Carried by another rider', 'Carried by a rider'],
  ['collision', 'Keep apart'],
  ['do they overlap', 'Keep apart'],
  ['copy the motion', 'Copy motion from another rider'],
  ['duplicate', 'Duplicate', 'Copies along the guide'],
  ['many copies', 'Copies along the guide'],
  ['1080 x 1920', 'Canvas'],
  ['portrait', 'Canvas', 'Changing the canvas size'],
  ['size of the canvas', 'Canvas', 'Changing the canvas size'],
  ['frame rate', 'Frame rate'],
  ['fps', 'Frame rate'],
  ['transparent background', 'Background'],
  ['loop length', 'Duration', 'Own cycle'],
  ['three times only', 'Number of repeats'],
  ['ping pong', 'Repeat', 'Rider’s repeat'],
  ['yoyo', 'Repeat', 'Rider’s repeat'],
  ['hover', 'Trigger', 'Offset: lift'],
  ['scrolling', 'Trigger'],
  ['autoplay', 'Trigger'],
  ['gif', 'Send as GIF'],
  ['export video', 'Send as WebM'],
  ['sprite sheet', 'Send as Sprite sheet'],
  ['lottie', 'Send as Lottie'],
  ['compare', 'Ghost: hold this state to compare', 'Swap with the ghost'],
  ['lane', 'Lane'],
  ['keep on the road', 'Stays within an area'],
  ['obstacle', 'Stays within an area'],
  ['yesterday', 'Versions'],
  ['history', 'Versions'],
  ['anchor point', 'Pivot', 'Pivot and facing on the canvas'],
  ['gravity', 'Pace from'],
  ['constant speed', 'Pace from', 'Speed along the guide', 'Change speed'],
  ['bounce', 'Squash and stretch', 'Squash at a mark', 'Easing of the next leg', 'Bounce'],
  ['jelly', 'Squash and stretch'],
  ['walk cycle', 'Poses'],
  ['perspective', 'Perspective'],
  ['camera', 'Camera'],
  ['bezier', 'Plot', 'Handle in', 'Handle out'],
  ['freehand', 'Sketch'],
  ['circle', 'Shape'],
  ['record my mouse', 'Act out'],
  ['distance between', 'Measure'],
  ['path from svg', 'Import paths as guides'],
  ['import picture', 'Art: import a drawing, picture or scene'],
  ['keyboard shortcuts', 'Shortcuts'],
  ['bpm', 'Tempo'],
  ['dashed line', 'Pattern', 'Drawn in what is sent'],
  ['draw the line', 'Drawn in what is sent', 'Guide line'],
  ['stop motion', 'On twos, threes…', 'Step'],
  ['intro', 'Entrance', 'First round'],
  ['paper boat', 'Paper boat'],
  ['opasity', 'Opacity'],
  ['bigger halfway', 'Scale', 'Scale by', 'Perspective'],
  ['shadow that follows', 'Cast a shadow that follows', 'Fixed offset'],
  ['half-size GIF', 'Send as GIF', 'Send a GIF at half its size', 'Scale, up to 4'],
  ['yesterday’s version', 'Versions'],
  ['speed at a place', 'Make it slow at one place', 'Speed of the next leg', 'Speed along the guide'],
  ['speed limit', 'Charts', 'Pace from', 'Turn rate'],
  ['pivot', 'Pivot', 'Pivot and facing on the canvas'],
  ['copy a link', 'Copy a link', 'Link to this scene'],
  ['bitrate', 'Bitrate, kilobits a second; 0: as the quality takes'],
  ['ferries sample', 'Two ferries, one loop'],
  ['several at once', 'Change several at once'],
];

test('there are sixty and more', () => expect(QUESTIONS.length).toBeGreaterThanOrEqual(60));

test.each(QUESTIONS)('“%s” finds what is meant among the first three', (question, ...meant) => {
  const found = index.find(question).slice(0, 3);
  const titles = found.map(({ title }) => title);
  expect(
    titles.some((title) => meant.some((one) => title.startsWith(one))),
    `${question}: ${titles.join(' · ')}`,
  ).toBe(true);
});

test('no two entries have one id, each says what it does and where it stands', () => {
  expect(new Set(entries.map(({ id }) => id)).size).toBe(entries.length);
  for (const { title, about, where } of entries) expect([title, about, where].every((text) => text !== '')).toBe(true);
});

test('what needs a selection says so, and does nothing', () => {
  const bare = emptyScene('Empty');
  const desk = deskBench(bare);
  const roll = entriesOf(desk, bare, () => undefined).find(({ id }) => id === 'group roll')!;
  roll.run();
  expect(tell).toHaveBeenLastCalledWith(expect.stringContaining('Select a rider first'));
  expect(desk.doc.state.past).toHaveLength(0);
});
