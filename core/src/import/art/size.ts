/** px per unit of CSS. Source: CSS Values and Units Level 4, section 6.2. */
const UNITS: Readonly<Record<string, number>> = {
  '': 1,
  px: 1,
  in: 96,
  cm: 96 / 2.54,
  mm: 96 / 25.4,
  q: 96 / 101.6,
  pt: 96 / 72,
  pc: 16,
};

/** An absolute length in px; undefined for percentages, relative units and what is no length. */
export function absoluteLength(text: string | undefined): number | undefined {
  const match = /^([+-]?(?:\d+\.?\d*|\.\d+)(?:e[+-]?\d+)?)\s*([a-z]*)$/i.exec((text ?? '').trim());
  const unit = UNITS[(match?.[2] ?? '?').toLowerCase()];
  if (!match || unit === undefined) return undefined;
  const value = Number(match[1]) * unit;
  return Number.isFinite(value) && value > 0 ? value : undefined;
}

export type ViewBox = readonly [x: number, y: number, width: number, height: number];

export function viewBoxOf(text: string | undefined): ViewBox | undefined {
  const numbers = (text ?? '')
    .trim()
    .split(/[\s,]+/)
    .map(Number);
  const [x, y, width, height] = numbers;
  if (numbers.length !== 4 || x === undefined || y === undefined || width === undefined || height === undefined)
    return undefined;
  return numbers.every(Number.isFinite) && width > 0 && height > 0 ? [x, y, width, height] : undefined;
}

/** The size at which a file is shown on its own, px: its width and height, one of them and the viewBox's ratio, the viewBox, or 300 × 150. */
export function shownSize(
  width: string | undefined,
  height: string | undefined,
  viewBox: ViewBox | undefined,
): [number, number] {
  const w = absoluteLength(width);
  const h = absoluteLength(height);
  const ratio = viewBox ? viewBox[2] / viewBox[3] : undefined;
  if (w !== undefined && h !== undefined) return [w, h];
  if (w !== undefined) return [w, ratio ? w / ratio : 150];
  if (h !== undefined) return [ratio ? h * ratio : 300, h];
  return viewBox ? [viewBox[2], viewBox[3]] : [300, 150];
}
