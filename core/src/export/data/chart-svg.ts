import { z } from 'zod';
import { timeTicks, xOfTime, yOfDistance, type Axes } from '../../chart/index.ts';
import type { SheetLine, SheetRoute, Sheets } from '../../take/index.ts';
import type { Format } from '../format.ts';
import { writeFile } from '../sink.ts';
import { escapeMarkup, fileStem, formatNumber } from '../text.ts';

const options = z.object({
  width: z.number().int().min(320).max(4096).default(960).describe('Width of the sheet, px'),
  height: z.number().int().min(200).max(4096).default(420).describe('Height of each route’s chart, px'),
  speed: z.boolean().default(true).describe('Draw the speed under each chart'),
});
type Options = z.infer<typeof options>;

/** The pace sheet as a drawing: a chart for each route, its riders' lines with their marks, and their speed. */
export const chartSvg: Format<'sheets', typeof options> = {
  id: 'chart-svg',
  name: 'Pace sheet',
  about: 'The pace lines of every route as a drawing: for documents, hand-offs and walls.',
  extension: 'svg',
  type: 'image/svg+xml',
  options,
  needs: 'sheets',
  holds: ['poses', 'camera', 'stack', 'clips', 'strokes', 'background', 'art'],
  write: (sheets, given, sink) =>
    writeFile(sink, `${fileStem(sheets.name)}-sheet.svg`, 'image/svg+xml', `${chartMarkup(sheets, given)}\n`),
};

const [HEAD, LEFT, RIGHT, GAP, RIBBON] = [56, 120, 24, 44, 70];
const DASHES = ['', '7 3', '2 3', '9 3 2 3'];
const n = (value: number): string => formatNumber(value, 1);

function chartMarkup(sheets: Sheets, { width, height, speed }: Options): string {
  const each = height + GAP + (speed ? RIBBON : 0);
  const whole = HEAD + Math.max(1, sheets.routes.length) * each;
  const charts = sheets.routes.map((route, i) =>
    routeMarkup(sheets, route, { width, top: HEAD + i * each, height, speed }),
  );
  return (
    `<svg xmlns="http://www.w3.org/2000/svg" width="${width}" height="${whole}" viewBox="0 0 ${width} ${whole}" font-family="Figtree,Helvetica,Arial,sans-serif" font-size="12" fill="#1F2933">` +
    `<title>${escapeMarkup(`Pace sheet of ${sheets.name}`)}</title><rect width="${width}" height="${whole}" fill="#FDFBF5"/>` +
    `<text x="${LEFT}" y="28" font-size="17" font-weight="600">${escapeMarkup(sheets.name)}</text>` +
    `<text x="${width - RIGHT}" y="28" text-anchor="end">${formatNumber(sheets.length, 2)} s, ${sheets.count} frames</text>` +
    (charts.length > 0 ? charts.join('') : `<text x="${LEFT}" y="${HEAD + 20}">Nothing rides a guide.</text>`) +
    `</svg>`
  );
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
    left: LEFT,
    right: width - RIGHT,
    top: top + 24,
    bottom: top + height,
    from: 0,
    to: sheets.length,
    low,
    high,
  };
}

function routeMarkup(sheets: Sheets, route: SheetRoute, frame: Frame): string {
  const axes = axesOf(sheets, route, frame);
  const ticks = timeTicks(axes, 44).filter((time) => time >= 0 && time <= sheets.length + 1e-9);
  const until = axes.bottom + (frame.speed ? RIBBON : 0);
  const rules = ticks.map((time) => {
    const x = n(xOfTime(axes, time));
    return `<path d="M${x} ${axes.top}V${until}" stroke="#E7E0D2"/><text x="${x}" y="${axes.top - 6}" text-anchor="middle">${formatNumber(time, 2)}</text>`;
  });
  let last = Infinity;
  const places = [...route.nodes]
    .sort((a, b) => a.distance - b.distance)
    .flatMap(({ name, distance }) => {
      const y = yOfDistance(axes, distance);
      // Names closer than a line of text are left out, their rules too.
      if (last - y < 15) return [];
      last = y;
      return `<path d="M${axes.left} ${n(y)}H${axes.right}" stroke="#D8D0C0"/><text x="${axes.left - 8}" y="${n(y + 4)}" text-anchor="end">${escapeMarkup(name.length > 16 ? `${name.slice(0, 15)}…` : name)}</text>`;
    });
  const lines = route.lines.map((line, i) => lineMarkup(axes, route.color, line, i));
  const ribbon = frame.speed ? ribbonMarkup(axes, route) : '';
  return (
    `<text x="${axes.left}" y="${axes.top - 24}" font-weight="600" fill="${route.color}">${escapeMarkup(route.name)}</text>` +
    rules.join('') +
    places.join('') +
    ribbon +
    lines.join('')
  );
}

function lineMarkup(axes: Axes, color: string, { name, stretches, marks }: SheetLine, i: number): string {
  const d = stretches
    .map(
      (points) => `M${points.map(([time, way]) => `${n(xOfTime(axes, time))} ${n(yOfDistance(axes, way))}`).join('L')}`,
    )
    .join('');
  const dash = DASHES[i % DASHES.length];
  const end = stretches[stretches.length - 1]?.at(-1);
  const rings = marks.map(({ time, distance, dwell }) => {
    const [x, y] = [xOfTime(axes, time), yOfDistance(axes, distance)];
    const rest =
      dwell > 0
        ? `<path d="M${n(x)} ${n(y)}H${n(xOfTime(axes, time + dwell))}" stroke="${color}" stroke-width="3"/>`
        : '';
    return `${rest}<circle cx="${n(x)}" cy="${n(y)}" r="3.5" fill="#FDFBF5" stroke="#1F2933" stroke-width="1.5"/>`;
  });
  const label = end
    ? `<text x="${n(xOfTime(axes, end[0]) - 6)}" y="${n(Math.max(axes.top + 10, yOfDistance(axes, end[1]) - 6))}" text-anchor="end" font-size="11">${escapeMarkup(name)}</text>`
    : '';
  return `<path d="${d}" fill="none" stroke="${color}" stroke-width="2"${dash ? ` stroke-dasharray="${dash}"` : ''}/>${rings.join('')}${label}`;
}

function ribbonMarkup(axes: Axes, { color, lines }: SheetRoute): string {
  const all = lines.flatMap(({ speeds }) => speeds);
  const most = all.reduce((a, b) => Math.max(a, b), 1e-9);
  const least = all.reduce((a, b) => Math.min(a, b), 0);
  const [top, bottom] = [axes.bottom + 14, axes.bottom + RIBBON - 6];
  const y = (speed: number): number => bottom - ((speed - least) / (most - least)) * (bottom - top);
  const paths = lines.map(({ speeds }, i) => {
    const points = speeds.map((speed, k) => `${n(xOfTime(axes, (axes.to * k) / (speeds.length - 1)))} ${n(y(speed))}`);
    const dash = DASHES[i % DASHES.length];
    return `<path d="M${points.join('L')}" fill="none" stroke="${color}" stroke-width="1.25"${dash ? ` stroke-dasharray="${dash}"` : ''}/>`;
  });
  return (
    `<path d="M${axes.left} ${n(y(0))}H${axes.right}" stroke="#D8D0C0"/>` +
    `<text x="${axes.left - 8}" y="${n(top + 8)}" text-anchor="end">speed</text>` +
    `<text x="${axes.left - 8}" y="${n(top + 23)}" text-anchor="end" fill="#5A636C">≤ ${Math.round(most)} px/s</text>${paths.join('')}`
  );
}
