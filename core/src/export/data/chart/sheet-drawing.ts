import { z } from '../../../zod.ts';
import { timeTicks, xOfTime, yOfDistance, type Axes } from '../../../chart/index.ts';
import type { SheetLine, SheetRoute, Sheets } from '../../../take/index.ts';
import { formatNumber } from '../../text.ts';
import type { Shape, SheetDrawing } from './shapes.ts';

/** What a drawing of a sheet is asked. */
export const sheetOptions = z.object({
  width: z.number().int().min(320).max(4096).default(960).describe('Width of the sheet, px'),
  height: z.number().int().min(200).max(4096).default(420).describe('Height of each route’s chart, px'),
  speed: z.boolean().default(true).describe('Draw the speed under each chart'),
});
type Options = z.infer<typeof sheetOptions>;

const [HEAD, LEFT, RIGHT, GAP, RIBBON] = [56, 120, 24, 44, 70];
const DASHES: readonly (readonly number[])[] = [[], [7, 3], [2, 3], [9, 3, 2, 3]];
const [INK, MUTED, PAPER, HAIR, RULE] = ['#1F2933', '#5A636C', '#FDFBF5', '#D8D0C0', '#E7E0D2'];

type Point = readonly [number, number];

const words = (x: number, y: number, text: string, more: Partial<Extract<Shape, { kind: 'words' }>> = {}): Shape => ({
  kind: 'words',
  ...{ x, y, text, size: 12, at: 'start', color: INK },
  ...more,
});
const line = (
  pieces: readonly (readonly Point[])[],
  color: string,
  width: number,
  dash: readonly number[] = [],
): Shape => ({
  kind: 'line',
  ...{ pieces, color, width },
  ...(dash.length > 0 ? { dash } : {}),
});

/** px of a sheet that one chart takes, with what stands under it. */
const eachOf = ({ height, speed }: Options): number => height + GAP + (speed ? RIBBON : 0);

/** The pace sheet as a drawing: a chart for each route, its riders' lines with their marks, and their speed. */
export const drawnSheet = (sheets: Sheets, options: Options): SheetDrawing => drawnPage(sheets, sheets.routes, options);

/** The same on pages that are no higher than paper is, against its width; a chart that is higher has a page of its own. */
export function drawnPages(sheets: Sheets, options: Options): readonly SheetDrawing[] {
  const { routes } = sheets;
  const room = options.width * Math.SQRT2;
  const most = Math.max(1, Math.floor((room - HEAD) / eachOf(options)));
  const count = Math.max(1, Math.ceil(routes.length / most));
  return Array.from({ length: count }, (_, i) =>
    drawnPage(sheets, routes.slice(i * most, (i + 1) * most), options, count > 1 ? `, page ${i + 1} of ${count}` : ''),
  );
}

function drawnPage(sheets: Sheets, routes: readonly SheetRoute[], options: Options, page = ''): SheetDrawing {
  const { width, height, speed } = options;
  const each = eachOf(options);
  const charts = routes.flatMap((route, i) =>
    drawnRoute(sheets, route, { width, top: HEAD + i * each, height, speed }),
  );
  const about = `${formatNumber(sheets.length, 2)} s, ${sheets.count} frames${page}`;
  return {
    title: `Pace sheet of ${sheets.name}`,
    width,
    height: HEAD + Math.max(1, routes.length) * each,
    shapes: [
      { kind: 'paper', color: PAPER },
      words(LEFT, 28, sheets.name, { size: 17, bold: true }),
      words(width - RIGHT, 28, about, { at: 'end' }),
      ...(charts.length > 0 ? charts : [words(LEFT, HEAD + 20, 'Nothing rides a guide.')]),
    ],
  };
}

interface Frame {
  readonly width: number;
  readonly top: number;
  readonly height: number;
  readonly speed: boolean;
}

function axesOf(sheets: Sheets, { lines, length }: SheetRoute, { width, top, height }: Frame): Axes {
  const all = lines.flatMap(({ stretches }) => stretches.flat().map(([, distance]) => distance));
  const low = all.reduce((a, b) => Math.min(a, b), 0);
  const high = Math.max(
    all.reduce((a, b) => Math.max(a, b), length),
    low + 1,
  );
  return {
    ...{ left: LEFT, right: width - RIGHT, top: top + 24, bottom: top + height },
    ...{ from: 0, to: sheets.length, low, high },
  };
}

function drawnRoute(sheets: Sheets, route: SheetRoute, frame: Frame): Shape[] {
  const axes = axesOf(sheets, route, frame);
  const { left, right, top, bottom } = axes;
  const until = bottom + (frame.speed ? RIBBON : 0);
  const ticks = timeTicks(axes, 44).filter((time) => time >= 0 && time <= sheets.length + 1e-9);
  const rules = ticks.flatMap((time): Shape[] => {
    const x = xOfTime(axes, time);
    return [
      line(
        [
          [
            [x, top],
            [x, until],
          ],
        ],
        RULE,
        1,
      ),
      words(x, top - 6, formatNumber(time, 2), { at: 'middle' }),
    ];
  });
  let last = Infinity;
  const places = [...route.nodes]
    .sort((a, b) => a.distance - b.distance)
    .flatMap(({ name, distance }): Shape[] => {
      const y = yOfDistance(axes, distance);
      // Names closer than a line of text are left out, their rules too.
      if (last - y < 15) return [];
      last = y;
      const short = name.length > 16 ? `${name.slice(0, 15)}…` : name;
      return [
        line(
          [
            [
              [left, y],
              [right, y],
            ],
          ],
          HAIR,
          1,
        ),
        words(left - 8, y + 4, short, { at: 'end' }),
      ];
    });
  return [
    words(left, top - 24, route.name, { bold: true, color: route.color }),
    ...rules,
    ...places,
    ...(frame.speed ? drawnSpeeds(axes, route) : []),
    ...route.lines.flatMap((one, i) => drawnLine(axes, route.color, one, i)),
    ...namesOf(axes, route.lines),
  ];
}

/** px from one name at the lines' ends to the next, and letters of one at most. */
const [NAME_STEP, LONGEST_NAME] = [12, 60];

/** The names of lines at their ends, none over another: each as near to its end as there is room; of more than there is room for, how many are left. */
function namesOf(axes: Axes, lines: readonly SheetLine[]): Shape[] {
  const [top, bottom] = [axes.top + 10, axes.bottom];
  const room = Math.max(1, Math.floor((bottom - top) / NAME_STEP) + 1);
  const ends = lines.flatMap(({ name, stretches }) => {
    const end = stretches[stretches.length - 1]?.at(-1);
    return end ? [{ name, x: xOfTime(axes, end[0]) - 6, y: yOfDistance(axes, end[1]) - 6 }] : [];
  });
  const isTooMany = ends.length > room;
  const named = (isTooMany ? ends.slice(0, room - 1) : ends).sort((a, b) => a.y - b.y);
  const left = ends.length - named.length;
  const all = isTooMany ? [...named, { name: `and ${left} more`, x: axes.right - 6, y: bottom }] : named;
  // Pushed down where they are too near, then up from the bottom.
  const at = all.map(({ y }) => Math.max(top, Math.min(bottom, y)));
  for (let i = 1; i < at.length; i++) at[i] = Math.max(at[i] ?? 0, (at[i - 1] ?? 0) + NAME_STEP);
  for (let i = at.length - 1, most = bottom; i >= 0; i--) {
    at[i] = Math.min(at[i] ?? 0, most);
    most = (at[i] ?? 0) - NAME_STEP;
  }
  return all.map(({ name, x }, i) => {
    const short = name.length > LONGEST_NAME ? `${name.slice(0, LONGEST_NAME - 1)}…` : name;
    return words(x, at[i] ?? 0, short, { size: 11, at: 'end' });
  });
}

function drawnLine(axes: Axes, color: string, { stretches, marks }: SheetLine, i: number): Shape[] {
  const place = (time: number, way: number): Point => [xOfTime(axes, time), yOfDistance(axes, way)];
  const pieces = stretches.map((points) => points.map(([time, way]) => place(time, way)));
  const rings = marks.flatMap(({ time, distance, dwell }): Shape[] => {
    const [x, y] = place(time, distance);
    const rest = dwell > 0 ? [line([[[x, y], place(time + dwell, distance)]], color, 3)] : [];
    return [...rest, { kind: 'ring', x, y, radius: 3.5, fill: PAPER, color: INK, width: 1.5 }];
  });
  return [line(pieces, color, 2, DASHES[i % DASHES.length]), ...rings];
}

function drawnSpeeds(axes: Axes, { color, lines }: SheetRoute): Shape[] {
  const all = lines.flatMap(({ speeds }) => speeds);
  const most = all.reduce((a, b) => Math.max(a, b), 1e-9);
  const least = all.reduce((a, b) => Math.min(a, b), 0);
  const [top, bottom] = [axes.bottom + 14, axes.bottom + RIBBON - 6];
  const y = (speed: number): number => bottom - ((speed - least) / (most - least)) * (bottom - top);
  const paths = lines.map(({ speeds }, i) => {
    const points = speeds.map((speed, k): Point => [xOfTime(axes, (axes.to * k) / (speeds.length - 1)), y(speed)]);
    return line([points], color, 1.25, DASHES[i % DASHES.length]);
  });
  return [
    line(
      [
        [
          [axes.left, y(0)],
          [axes.right, y(0)],
        ],
      ],
      HAIR,
      1,
    ),
    words(axes.left - 8, top + 8, 'speed', { at: 'end' }),
    words(axes.left - 8, top + 23, `≤ ${Math.round(Math.max(most, -least))} px/s`, { at: 'end', color: MUTED }),
    ...(least < 0 ? [words(axes.left - 8, bottom, 'backs up', { at: 'end', color: MUTED })] : []),
    ...paths,
  ];
}
