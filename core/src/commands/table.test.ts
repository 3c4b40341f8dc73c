import { describe, expect, test } from 'vitest';
import { checkSeam, mendsOfSeam } from '../checks/index.ts';
import { prepare } from '../motion/index.ts';
import { newRecipe } from '../pace/index.ts';
import { BOX_ART, LINE, riderOn, sceneOf, SQUARE } from '../testing/scenes.ts';
import { lastMoment, marksAsText, marksFromText, setLegSpeed, setMarks, setRecipe, setRoom } from './index.ts';

const rowsOf = (text: string): readonly (readonly number[])[] => {
  const reading = marksFromText(text);
  if (!reading.ok) throw new Error(reading.message);
  return reading.rows.map(({ time, distance, rest }) => (rest > 0 ? [time, distance, rest] : [time, distance]));
};

describe('marks as text', () => {
  test.each([
    [
      'commas and a heading',
      'time,distance\n0,0\n1.5,320\n',
      [
        [0, 0],
        [1.5, 320],
      ],
    ],
    [
      'semicolons with decimal commas',
      '0;0\n1,5;320,25',
      [
        [0, 0],
        [1.5, 320.25],
      ],
    ],
    [
      'tabs, as from a table',
      'Zeit\tWeg\r\n0\t10\r\n2\t-40',
      [
        [0, 10],
        [2, -40],
      ],
    ],
    [
      'spaces, empty lines and a rest',
      '\n0 0\n\n1 5 9\n',
      [
        [0, 0],
        [1, 5, 9],
      ],
    ],
    [
      'quotes',
      '"0","0"\n"1","7"',
      [
        [0, 0],
        [1, 7],
      ],
    ],
  ])('%s', (_, text, rows) => expect(rowsOf(text)).toEqual(rows));
  test.each([
    ['', /no time/],
    ['a,b\nc,d', /no time/],
    ['0,0\nx,3', /line 2/],
    ['0,0\n0,3', /line 2: each time/],
    ['-1,0', /0 or more/],
    ['0,0\n1', /line 2/],
    ['0,0,2\n1,5', /line 2: the rest before/],
    ['0,0,-1', /a rest is 0/],
  ])('%j is refused with its line', (text, words) => {
    const reading = marksFromText(text);
    expect(reading.ok ? '' : reading.message).toMatch(words);
  });
  test('what a rider has is written and read again; it flows through them', () => {
    const scene = sceneOf({
      clock: { duration: 4, fps: 30, repeat: 'loop' },
      art: [BOX_ART],
      guides: [LINE],
      riders: [riderOn('r', 'line', [{ time: 0, place: { by: 'node', node: 'a' } }])],
    });
    const made = setMarks(scene, {
      rider: 'r',
      rows: [
        [0, 0],
        [1, 100],
        [4, 900],
      ].map(([time = 0, distance = 0]) => ({ time, distance, rest: 0 })),
    });
    expect(marksAsText(made, 'r')).toBe('time,distance,rest\n0,0,0\n1,100,0\n4,400,0');
    const moving = prepare(made).riders[0]!;
    expect(moving.speedAt(1, -1)).toBeCloseTo(moving.speedAt(1), 9);
    expect(setMarks.can(scene, { rider: 'r', rows: [{ time: 5, distance: 0, rest: 0 }] })).toMatchObject({
      code: 'outside-cycle',
    });
  });
});

test('rests are written and read again; what has a recipe is paced by its marks from then on', () => {
  const scene = sceneOf({
    clock: { duration: 4, fps: 30, repeat: 'loop' },
    art: [BOX_ART],
    guides: [LINE],
    riders: [
      riderOn('r', 'line', [
        { time: 0, place: { by: 'node', node: 'a' }, dwell: 0.5 },
        { time: 3, place: { by: 'node', node: 'c' }, dwell: 1 },
      ]),
    ],
  });
  const falling = setRecipe(scene, { rider: 'r', recipe: newRecipe('constant') });
  expect(setLegSpeed.can(falling, { rider: 'r', mark: 'r-m1', speed: 100 })).toMatchObject({ code: 'paced-by-recipe' });
  const reading = marksFromText(marksAsText(scene, 'r'));
  if (!reading.ok) throw new Error(reading.message);
  const { pace } = setMarks(falling, { rider: 'r', rows: reading.rows }).riders[0]!;
  expect(pace.recipe).toBeNull();
  expect(pace.marks.map(({ time, dwell }) => [time, dwell])).toEqual([
    [0, 0.5],
    [3, 1],
  ]);
});

describe('places in words, as text', () => {
  const scene = sceneOf({ art: [BOX_ART], guides: [LINE], riders: [riderOn('r', 'line', [])] });
  const guide = scene.guides[0]!;
  test('shares and nodes stand beside distances, and stay what they were', () => {
    const reading = marksFromText('time, position, rest\n0, 0\n1, 20 %, 0.5\n2, b + 30 px\n3 90% 1', guide);
    expect(reading).toMatchObject({
      ok: true,
      rows: [
        { time: 0, distance: 0, rest: 0 },
        { time: 1, distance: 80, rest: 0.5, place: { by: 'share', value: 0.2 } },
        { time: 2, distance: 230, place: { by: 'node', node: 'b' } },
        { time: 3, distance: 360, rest: 1, place: { by: 'share', value: 0.9 } },
      ],
    });
    if (!reading.ok) return;
    const { marks } = setMarks(scene, { rider: 'r', rows: reading.rows.slice(0, 2) }).riders[0]!.pace;
    expect(marks[1]!.place).toEqual({ by: 'share', value: 0.2 });
  });
  test('what is no place of the guide is named', () => {
    expect(marksFromText('0, 0\n1, harbour', guide)).toMatchObject({
      message: expect.stringMatching(/“harbour”/) as string,
    });
    expect(marksFromText('0, 120 %', guide)).toMatchObject({ ok: false });
    expect(marksFromText('0, 20 %')).toMatchObject({ ok: false });
  });
});

describe('speeds', () => {
  const at = (value: number) => ({ by: 'distance', value });
  const scene = sceneOf({
    clock: { duration: 4, fps: 30, repeat: 'loop' },
    art: [BOX_ART],
    guides: [SQUARE],
    riders: [
      riderOn('r', 'square', [
        { time: 0, place: at(0), dwell: 0.5 },
        { time: 1.5, place: at(100) },
        { time: 3, place: at(400) },
      ]),
    ],
  });
  test('a leg gets a speed, and what comes after follows in time', () => {
    const made = setLegSpeed(scene, { rider: 'r', mark: 'r-m1', speed: 50 });
    expect(made.riders[0]!.pace.marks.map(({ time }) => time)).toEqual([0, 2.5, 4]);
    expect(setLegSpeed.can(scene, { rider: 'r', mark: 'r-m1', speed: 20 })).toMatchObject({
      code: 'cycle-too-short',
      // 100 px at 20 px/s take 5 s where they took 1, and the loop has 1 s to spare.
      data: { missing: expect.closeTo(3, 9) as number },
    });
  });
  test('a longer loop can add room: times and speeds stay; a shorter one ends with the last mark at the earliest', () => {
    const roomy = setRoom(scene, { duration: 6 });
    expect(roomy.riders[0]!.pace).toBe(scene.riders[0]!.pace);
    const [was, is] = [prepare(scene).riders[0]!, prepare(roomy).riders[0]!];
    for (const time of [0.7, 1.4, 2.9]) expect(is.speedAt(time)).toBeCloseTo(was.speedAt(time), 9);
    expect(lastMoment(scene)).toBe(3);
    expect(setRoom(roomy, { duration: 3 }).clock.duration).toBe(3);
    expect(setRoom.can(scene, { duration: 2.9 })).toMatchObject({ code: 'marks-past-end' });
    expect(setRoom.can(scene, { duration: 0 })).toMatchObject({ code: 'duration' });
  });
  test('at the seam speeds are matched by letting both legs flow', () => {
    const uneven = sceneOf({
      ...{ clock: { duration: 4, fps: 30, repeat: 'loop' }, art: [BOX_ART], guides: [SQUARE] },
      riders: [
        riderOn(
          'r',
          'square',
          [
            { time: 0, place: at(0) },
            { time: 1, place: at(300) },
            { time: 4, place: at(400) },
          ],
          { heading: { mode: 'level' } },
        ),
      ],
    });
    expect(checkSeam(uneven)[0]).toMatchObject({ closes: true, smooth: false });
    const mend = mendsOfSeam(uneven, 'r').find(({ kind }) => kind === 'match-speeds');
    const mended = mend!.apply(uneven);
    expect(checkSeam(mended)[0]).toMatchObject({ closes: true, smooth: true });
    expect(checkSeam(mended)[0]!.speedAfter).toBeGreaterThan(30);
  });
});
