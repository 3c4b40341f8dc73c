import type { Format } from '../../format.ts';
import { writeFile } from '../../sink.ts';
import { escapeMarkup, fileStem, formatNumber } from '../../text.ts';
import type { Shape, SheetDrawing } from './shapes.ts';
import { drawnSheet, sheetOptions } from './sheet-drawing.ts';

/** The pace sheet as an SVG. */
export const chartSvg: Format<'sheets', typeof sheetOptions> = {
  id: 'chart-svg',
  name: 'Pace sheet',
  group: 'data',
  about: 'The pace lines of every route as a drawing: for documents, hand-offs and walls.',
  extension: 'svg',
  type: 'image/svg+xml',
  options: sheetOptions,
  needs: 'sheets',
  holds: ['poses', 'camera', 'stack', 'clips', 'strokes', 'background', 'art'],
  write: (sheets, given, sink) =>
    writeFile(sink, `${fileStem(sheets.name)}-sheet.svg`, 'image/svg+xml', `${markupOf(drawnSheet(sheets, given))}\n`),
};

const n = (value: number): string => formatNumber(value, 1);

const markupOf = ({ title, width, height, shapes }: SheetDrawing): string =>
  `<svg xmlns="http://www.w3.org/2000/svg" width="${width}" height="${height}" viewBox="0 0 ${width} ${height}" font-family="Figtree,Helvetica,Arial,sans-serif" fill="#1F2933">` +
  `<title>${escapeMarkup(title)}</title>${shapes.map((shape) => shapeMarkup(shape, width, height)).join('')}</svg>`;

function shapeMarkup(shape: Shape, width: number, height: number): string {
  switch (shape.kind) {
    case 'paper':
      return `<rect width="${width}" height="${height}" fill="${shape.color}"/>`;
    case 'ring':
      return `<circle cx="${n(shape.x)}" cy="${n(shape.y)}" r="${n(shape.radius)}" fill="${shape.fill}" stroke="${shape.color}" stroke-width="${shape.width}"/>`;
    case 'line': {
      const d = shape.pieces.map((points) => `M${points.map(([x, y]) => `${n(x)} ${n(y)}`).join('L')}`).join('');
      const dash = shape.dash ? ` stroke-dasharray="${shape.dash.join(' ')}"` : '';
      return `<path d="${d}" fill="none" stroke="${shape.color}" stroke-width="${shape.width}"${dash}/>`;
    }
    case 'words': {
      const anchor = shape.at === 'start' ? '' : ` text-anchor="${shape.at}"`;
      const bold = shape.bold ? ' font-weight="600"' : '';
      const fill = shape.color === '#1F2933' ? '' : ` fill="${shape.color}"`;
      return `<text x="${n(shape.x)}" y="${n(shape.y)}" font-size="${shape.size}"${anchor}${bold}${fill}>${escapeMarkup(shape.text)}</text>`;
    }
  }
}
