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

/** The pace sheet as a drawing: a chart for each route, its riders' lines with their marks, and their speed. */
export function drawnSheet(sheets: Sheets, { width, height, speed }: Options): SheetDrawing {
  const each = height + GAP + (speed ? RIBBON : 0);
  const whole = HEAD + Math.max(1, sheets.routes.length) * each;
  const charts = sheets.routes.flatMap((route, i) =>
    drawnRoute(sheets, route, { width, top: HEAD + i * each, height, speed }),
  );
  return {
    title: `Pace sheet of ${sheets.name}`,
    width,
    height: whole,
    shapes: [
      { kind: 'paper', color: PAPER },
      words(LEFT, 28, sheets.name, { size: 17, bold: true }),
      words(width - RIGHT, 28, `${formatNumber(sheets.length, 2)} s, ${sheets.count} frames`, { at: 'end' }),
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
  ];
}

function drawnLine(axes: Axes, color: string, { name, stretches, marks }: SheetLine, i: number): Shape[] {
  const place = (time: number, way: number): Point => [xOfTime(axes, time), yOfDistance(axes, way)];
  const pieces = stretches.map((points) => points.map(([time, way]) => place(time, way)));
  const end = stretches[stretches.length - 1]?.at(-1);
  const rings = marks.flatMap(({ time, distance, dwell }): Shape[] => {
    const [x, y] = place(time, distance);
    const rest = dwell > 0 ? [line([[[x, y], place(time + dwell, distance)]], color, 3)] : [];
    return [...rest, { kind: 'ring', x, y, radius: 3.5, fill: PAPER, color: INK, width: 1.5 }];
  });
  const label = end
    ? [
        words(xOfTime(axes, end[0]) - 6, Math.max(axes.top + 10, yOfDistance(axes, end[1]) - 6), name, {
          ...{ size: 11, at: 'end' },
        }),
      ]
    : [];
  return [line(pieces, color, 2, DASHES[i % DASHES.length]), ...rings, ...label];
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
    words(axes.left - 8, top + 23, `≤ ${Math.round(most)} px/s`, { at: 'end', color: MUTED }),
    ...paths,
  ];
}
