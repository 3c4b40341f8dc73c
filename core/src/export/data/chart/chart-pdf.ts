import type { Format } from '../../format.ts';
import { writeFile } from '../../sink.ts';
import { fileStem, formatNumber } from '../../text.ts';
import type { Shape, SheetDrawing } from './shapes.ts';
import { drawnPages, sheetOptions } from './sheet-drawing.ts';
import { widthOf } from './text-width.ts';

/** The pace sheet as a PDF, as many pages as its routes take: for print. */
export const chartPdf: Format<'sheets', typeof sheetOptions> = {
  id: 'chart-pdf',
  name: 'Pace sheet as PDF',
  group: 'data',
  about: 'The pace lines of every route on pages to be printed or sent round.',
  extension: 'pdf',
  type: 'application/pdf',
  options: sheetOptions,
  needs: 'sheets',
  holds: ['poses', 'camera', 'stack', 'clips', 'strokes', 'background', 'art'],
  write: (sheets, given, sink) =>
    writeFile(sink, `${fileStem(sheets.name)}-sheet.pdf`, 'application/pdf', pdfOf(drawnPages(sheets, given))),
};

/** PDF 1.4 (ISO 32000): points of 1/72 inch; a px is 1/96. */
const POINT = 72 / 96;
const n = (value: number): string => formatNumber(value, 2);

/** Every text as bytes, a byte a character: what is written holds no other. */
function bytesOf(text: string): Uint8Array {
  return Uint8Array.from(text, (character) => character.charCodeAt(0) & 0xff);
}

/** Objects of a file before its pages, by their numbers from 1: catalog, list of pages, two fonts, what it is called. */
const [FONT, BOLD_FONT, ABOUT, FIRST_PAGE] = [3, 4, 5, 6];

function pdfOf(pages: readonly SheetDrawing[]): Uint8Array {
  const numbers = pages.map((_, i) => FIRST_PAGE + 2 * i);
  const fonts = `/Resources << /Font << /F1 ${FONT} 0 R /F2 ${BOLD_FONT} 0 R >> >>`;
  const objects = [
    '<< /Type /Catalog /Pages 2 0 R >>',
    `<< /Type /Pages /Kids [${numbers.map((one) => `${one} 0 R`).join(' ')}] /Count ${pages.length} >>`,
    '<< /Type /Font /Subtype /Type1 /BaseFont /Helvetica /Encoding /WinAnsiEncoding >>',
    '<< /Type /Font /Subtype /Type1 /BaseFont /Helvetica-Bold /Encoding /WinAnsiEncoding >>',
    `<< /Title ${hexText(pages[0]?.title ?? '')} /Producer (Pace Line) >>`,
    ...pages.flatMap(({ width, height, shapes }, i) => {
      const drawn = shapes.map((shape) => operators(shape, width, height)).join('');
      const content = `${n(POINT)} 0 0 ${n(-POINT)} 0 ${n(height * POINT)} cm\n${drawn}`;
      const box = `/MediaBox [0 0 ${n(width * POINT)} ${n(height * POINT)}]`;
      return [
        `<< /Type /Page /Parent 2 0 R ${box} /Contents ${(numbers[i] ?? 0) + 1} 0 R ${fonts} >>`,
        `<< /Length ${content.length} >>\nstream\n${content}\nendstream`,
      ];
    }),
  ];
  let text = '%PDF-1.4\n%\xE2\xE3\xCF\xD3\n';
  const offsets = objects.map((object, i) => {
    const at = text.length;
    text += `${i + 1} 0 obj\n${object}\nendobj\n`;
    return at;
  });
  const table = offsets.map((at) => `${String(at).padStart(10, '0')} 00000 n \n`).join('');
  const count = objects.length + 1;
  text += `xref\n0 ${count}\n0000000000 65535 f \n${table}trailer\n<< /Size ${count} /Root 1 0 R /Info ${ABOUT} 0 R >>\nstartxref\n${text.length}\n%%EOF\n`;
  return bytesOf(text);
}

/** A text of the document's information, UTF-16 with its mark, in hexadecimal digits. */
function hexText(text: string): string {
  const units = Array.from({ length: text.length }, (_, i) => text.charCodeAt(i).toString(16).padStart(4, '0'));
  return `<feff${units.join('')}>`;
}

/** A colour as its three shares. */
const rgb = (color: string): string => {
  const digits = color.slice(1);
  const whole = digits.length < 6 ? [...digits].map((one) => one + one).join('') : digits;
  return [0, 2, 4].map((i) => formatNumber(parseInt(whole.slice(i, i + 2), 16) / 255, 3)).join(' ');
};

/** How far the handles of a quarter of a circle reach, as a share of its radius. */
const QUARTER = 0.5523;

function operators(shape: Shape, width: number, height: number): string {
  switch (shape.kind) {
    case 'paper':
      return `${rgb(shape.color)} rg 0 0 ${width} ${height} re f\n`;
    case 'ring': {
      const { x, y, radius: r } = shape;
      const k = r * QUARTER;
      const arc = (...numbers: number[]): string => `${numbers.map(n).join(' ')} c `;
      return (
        `${rgb(shape.fill)} rg ${rgb(shape.color)} RG ${n(shape.width)} w [] 0 d ${n(x + r)} ${n(y)} m ` +
        arc(x + r, y + k, x + k, y + r, x, y + r) +
        arc(x - k, y + r, x - r, y + k, x - r, y) +
        arc(x - r, y - k, x - k, y - r, x, y - r) +
        `${arc(x + k, y - r, x + r, y - k, x + r, y)}b\n`
      );
    }
    case 'line': {
      const pieces = shape.pieces.map((points) =>
        points.map(([x, y], i) => `${n(x)} ${n(y)} ${i === 0 ? 'm' : 'l'}`).join(' '),
      );
      return `${rgb(shape.color)} RG ${n(shape.width)} w [${(shape.dash ?? []).join(' ')}] 0 d 1 j ${pieces.join(' ')} S\n`;
    }
    case 'words': {
      const text = latin(shape.text);
      const wide = widthOf(text, shape.size, shape.bold === true);
      const x = shape.at === 'end' ? shape.x - wide : shape.at === 'middle' ? shape.x - wide / 2 : shape.x;
      // The page is upside down against the drawing: letters are turned over again.
      return `BT /${shape.bold ? 'F2' : 'F1'} ${shape.size} Tf ${rgb(shape.color)} rg 1 0 0 -1 ${n(x)} ${n(shape.y)} Tm (${text.replace(/[\\()]/g, '\\$&')}) Tj ET\n`;
    }
  }
}

/** Characters that the fonts of every reader have beyond Latin-1, by their places there. */
const PLACES: Readonly<Record<string, string>> = {
  '€': '\x80',
  '…': '\x85',
  '‘': '\x91',
  '’': '\x92',
  '“': '\x93',
  '”': '\x94',
  '–': '\x96',
  '—': '\x97',
  '≤': 'at most',
};

/** A text in the letters that every reader's own fonts have; others without their accents, or as a question mark. */
function latin(text: string): string {
  return Array.from(text, (character) => {
    const place = PLACES[character];
    if (place !== undefined) return place;
    const plain = /[\x20-\x7e\xa0-\xff]/.test(character)
      ? character
      : character.normalize('NFKD').replace(/\p{M}/gu, '');
    return /^[\x20-\x7e\xa0-\xff]+$/.test(plain) ? plain : '?';
  }).join('');
}
