import { describe, expect, test } from 'vitest';
import { readArtMarkup } from '../scene/art/index.ts';
import { nearestOnPath, pathThrough } from '../geometry/index.ts';
import { readSvgParts, type DrawingPart } from './art/index.ts';
import { tracksFromGpx } from './gpx.ts';
import { fittedTo, isPointList, nodesThrough, pointsFromText } from './points.ts';

describe('a list of points', () => {
  test.each([
    [
      'commas',
      '1,2\n3,4',
      [
        [1, 2],
        [3, 4],
      ],
    ],
    [
      'a heading, further columns, quotes',
      'x,y,name\n1,2,Quay\n"3","4",Lock',
      [
        [1, 2],
        [3, 4],
      ],
    ],
    [
      'tabs with decimal commas',
      '1,5\t2,5\n3\t4',
      [
        [1.5, 2.5],
        [3, 4],
      ],
    ],
    [
      'semicolons, comments, empty lines',
      '# way\n1;2\n\n3;4\n',
      [
        [1, 2],
        [3, 4],
      ],
    ],
    [
      'one run of numbers',
      '1 2 3 4 5 6',
      [
        [1, 2],
        [3, 4],
        [5, 6],
      ],
    ],
    ...[
      '10,20; 30,40; 50,60',
      '[[10,20],[30,40],[50,60]]',
      '(10, 20) (30, 40) (50, 60)',
      '{10,20},{30,40},{5e1,60}',
    ].map((text): [string, string, number[][]] => [
      `on one line: ${text}`,
      text,
      [
        [10, 20],
        [30, 40],
        [50, 60],
      ],
    ]),
    ['two numbers with decimal commas', '1,5;2,5', [[1.5, 2.5]]],
    ['signs and exponents', '-1e2 +.5', [[-100, 0.5]]],
  ])('%s', (_, text, points) => {
    expect(pointsFromText(text)).toEqual({ ok: true, points, skipped: [] });
  });
  test('what may be pasted is a list of points and nothing else', () => {
    for (const text of ['1,2\n3,4', '1 2 3 4', '10,20; 30,40; 50,60', '[[1.5e1,-2],[3,4]]', '(1,2)(3,4)'])
      expect(isPointList(text), text).toBe(true);
    for (const text of [
      '',
      'hello',
      '10',
      '10,20',
      '1,5;2,5',
      '1 2 3',
      'M 1 2 3 4',
      '#0B7A75',
      '{"x":1,"y":2}',
      '12 Main',
    ])
      expect(isPointList(text), text).toBe(false);
  });
  test('what is no pair is named by its line; nothing at all is refused', () => {
    const read = pointsFromText('1,2\nhere\n3,4');
    expect(read).toMatchObject({
      ok: true,
      points: [
        [1, 2],
        [3, 4],
      ],
    });
    expect(read.ok && read.skipped).toEqual(['line 2: "here" is no pair of numbers']);
    expect(pointsFromText('\n\n').ok).toBe(false);
    expect(pointsFromText('5\n6')).toMatchObject({ ok: false, message: 'line 1: "5" is no pair of numbers' });
  });
  test('roundness runs from exact corners to a smooth curve, through every point in any case', () => {
    const points = [
      [0, 0],
      [100, 0],
      [100, 100],
      [300, 50],
    ] as const;
    expect(nodesThrough(points, 0, false).every((node) => !node.in && !node.out)).toBe(true);
    for (const roundness of [0.3, 1])
      for (const closed of [false, true]) {
        const nodes = nodesThrough(points, roundness, closed);
        const path = pathThrough(nodes, closed);
        for (const [x, y] of points) expect(nearestOnPath(path, x, y)!.gap).toBeLessThan(1e-9);
        expect(path.corners(0.01)).toEqual([]);
      }
    expect(
      nodesThrough(
        [
          [1, 1],
          [1, 1],
        ],
        1,
        true,
      ),
    ).toEqual([{ x: 1, y: 1 }]);
  });
  test('fitted to a canvas with a margin, evenly', () => {
    const [a, b] = fittedTo(
      [
        [0, 0],
        [10, 5],
      ],
      1000,
      1000,
    );
    expect([a, b]).toEqual([
      [100, 300],
      [900, 700],
    ]);
    expect(fittedTo([[5, 5]], 100, 60)).toEqual([[50, 30]]);
  });
});

describe('GPX', () => {
  const gpx = (inner: string): string => `<?xml version="1.0"?>\n<gpx version="1.1" xmlns="x">\n${inner}\n</gpx>`;
  test('a track’s places in metres, true in scale', () => {
    const read = tracksFromGpx(
      gpx(
        '<trk><name>Round the basin</name><trkseg><trkpt lat="50" lon="10"><ele>3</ele></trkpt><trkpt lat="50.01" lon="10"/></trkseg><trkseg><trkpt lon="10.01" lat="50.01"/></trkseg></trk>',
      ),
    );
    if (!read.ok) throw new Error(read.message);
    const [{ name, points }] = read.tracks as [(typeof read.tracks)[number]];
    expect(name).toBe('Round the basin');
    // A hundredth of a degree of latitude is 1,111.95 m on a sphere of the mean radius.
    expect(points[0]![1] - points[1]![1]).toBeCloseTo(1111.95, 0);
    expect(points[2]![0] - points[1]![0]).toBeCloseTo(1111.95 * Math.cos((50.0067 * Math.PI) / 180), 0);
  });
  test('a route counts; across the date line it goes on; what is broken is named', () => {
    const read = tracksFromGpx(
      gpx('<rte><rtept lat="0" lon="179.9"/>\n<rtept lat="x" lon="0"/>\n<rtept lat="0" lon="-179.9"/></rte>'),
    );
    if (!read.ok) throw new Error(read.message);
    expect(read.tracks[0]!.points[1]![0] - read.tracks[0]!.points[0]![0]).toBeCloseTo(22239, -1);
    expect(read.skipped).toEqual(['line 4: a point without a place']);
    expect(tracksFromGpx('<svg/>').ok).toBe(false);
    expect(tracksFromGpx(gpx('<trk><trkseg/></trk>'))).toMatchObject({ ok: false });
  });
});

describe('an SVG taken apart', () => {
  const partsOf = (inner: string, more = 'width="200" height="100"'): readonly DrawingPart[] => {
    const read = readSvgParts(`<svg xmlns="http://www.w3.org/2000/svg" ${more}>\n${inner}\n</svg>`);
    if (!read.ok) throw new Error(read.message);
    return read.parts.parts;
  };
  const rounded = (part: DrawingPart | undefined): number[][] =>
    (part?.outlines ?? []).flatMap(({ nodes }) =>
      nodes.map(({ x, y }) => [Math.round(x * 1e3) / 1e3, Math.round(y * 1e3) / 1e3]),
    );
  test('every basic shape has its outline', () => {
    const parts = partsOf(
      '<line x1="1" y1="2" x2="3" y2="4"/><polyline points="0,0 5 5"/><polygon points="0 0 5 0 5 5"/><rect x="1" y="1" width="10" height="5"/><rect width="10" height="8" rx="2"/><circle cx="5" cy="5" r="2"/><ellipse cx="5" cy="5" rx="3" ry="2"/><path d="m1 1h3v2q1 1 2 0t2 0a1 1 0 0 1 1 1z"/>',
    );
    expect(parts.map(({ outlines }) => outlines.length)).toEqual([1, 1, 1, 1, 1, 1, 1, 1]);
    expect(parts.map(({ outlines }) => outlines[0]!.closed)).toEqual([
      false,
      false,
      true,
      true,
      true,
      true,
      true,
      true,
    ]);
    expect(rounded(parts[3])).toEqual([
      [1, 1],
      [11, 1],
      [11, 6],
      [1, 6],
    ]);
    const circle = pathThrough(parts[5]!.outlines[0]!.nodes, true);
    for (let i = 0; i < 100; i++) {
      const { x, y } = circle.frameAtDistance((circle.length * i) / 100);
      expect(Math.hypot(x - 5, y - 5)).toBeCloseTo(2, 2);
    }
  });
  test('viewBox, nested transforms and use', () => {
    const [part] = partsOf(
      '<defs><path id="p" d="M0 0L10 0"/></defs><g transform="translate(10 0)"><g transform="rotate(90)"><use href="#p" x="5"/></g><path d="M1 1L2 2"/></g>',
      'width="400" height="200" viewBox="-10 0 200 100"',
    );
    expect(rounded(part)).toEqual([
      [40, 10],
      [40, 30],
    ]);
  });
  test('a single group is opened; parts are named; a stroke without a fill looks like a guide', () => {
    const parts = partsOf(
      '<g id="layer" fill="none" stroke="#000"><path id="tow-path" d="M0 0L9 9"/><path d="M0 0L9 9Z" fill="#fff"/><g><title>Boat</title><rect width="3" height="3" fill="red" stroke="none"/></g></g>',
    );
    expect(parts.map(({ name, looksLike }) => [name, looksLike])).toEqual([
      ['Tow path', 'guide'],
      ['Path 2', 'art'],
      ['Boat', 'art'],
    ]);
  });
  test('the picture of a part is cut to its own box and stays where it is', () => {
    const parts = partsOf('<rect x="20" y="30" width="40" height="10" fill="red"/><circle cx="150" cy="50" r="5"/>');
    expect([parts[0]!.x, parts[0]!.y, parts[0]!.art.width, parts[0]!.art.height]).toEqual([19, 29, 42, 12]);
    expect(parts[0]!.art.markup).toContain('viewBox="19 29 42 12"');
  });
  test('path data that breaks off is named by its line; the rest is kept', () => {
    const read = readSvgParts(
      '<svg xmlns="http://www.w3.org/2000/svg">\n<path d="M0 0L5 5"/>\n<path id="bad" d="M0 0 L 4 x"/>\n</svg>',
    );
    if (!read.ok) throw new Error(read.message);
    expect(read.parts.parts).toHaveLength(2);
    expect(read.parts.skipped[0]).toMatch(/^line 3: <path> "bad"/);
  });
  test('five thousand paths stay usable', () => {
    const parts = partsOf(
      Array.from({ length: 5000 }, (_, i) => `<path d="M${i % 200} ${i / 50}c5 5 10 5 15 0"/>`).join('\n'),
    );
    expect(parts).toHaveLength(5000);
  });
});

describe('parts carry what they refer to and nothing else', () => {
  const apart = (inner: string) => {
    const read = readSvgParts(`<svg xmlns="http://www.w3.org/2000/svg" viewBox="0 0 100 100">${inner}</svg>`);
    if (!read.ok) throw new Error(read.message);
    return read.parts;
  };
  test('definitions, those that these refer to, and those that stand outside of <defs>', () => {
    const { parts } = apart(
      '<defs><linearGradient id="a"><stop offset="0"/></linearGradient><linearGradient id="b" href="#a"/><mask id="m"><rect width="9" height="9" fill="url(#b)"/></mask></defs>' +
        '<radialGradient id="c"><stop offset="0"/></radialGradient>' +
        '<rect width="5" height="5" mask="url(#m)"/><rect x="9" width="5" height="5" fill="url(#c)"/><rect x="20" width="5" height="5"/>',
    );
    const ids = parts.map(({ art }) =>
      [...art.markup.matchAll(/ id="(\w)"/g)]
        .map((match) => match[1])
        .sort()
        .join(''),
    );
    expect(ids).toEqual(['abm', 'c', '']);
    for (const { art } of parts) expect(readArtMarkup(art.markup).ok).toBe(true);
  });
  test('two thousand parts are no larger together than the drawing', () => {
    const gradients = Array.from(
      { length: 500 },
      (_, i) => `<linearGradient id="g${i}"><stop offset="0"/><stop offset="1"/></linearGradient>`,
    );
    const rects = Array.from(
      { length: 2000 },
      (_, i) => `<rect x="${i % 90}" width="5" height="5" fill="url(#g${i % 500})"/>`,
    );
    const { parts } = apart(`<defs>${gradients.join('')}</defs>${rects.join('')}`);
    expect(parts).toHaveLength(2000);
    expect(parts.reduce((sum, { art }) => sum + art.markup.length, 0)).toBeLessThan(2000 * 500);
  });
  test('a box that is not finite, or nowhere near, is that of the whole drawing', () => {
    const { parts } = apart('<path d="M0 0L1e300 1e300"/><path d="M0 0L1e12 5"/><path d="M0 0L9 9"/>');
    for (const { x, y, art } of parts)
      for (const value of [x, y, art.width, art.height]) expect(Math.abs(value)).toBeLessThan(1e5);
  });
});
