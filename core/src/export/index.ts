import { animatedSvg } from './animated-svg.ts';
import type { Format } from './format.ts';
import { webPage } from './web-page.ts';

export { escapeMarkup, fileStem, formatNumber, type Format, type OutputFile } from './format.ts';

export { pathData } from './path-data.ts';

/** Every format, in the order in which they are offered. To add one: write its file, add it here. */
export const FORMATS: readonly Format[] = [animatedSvg, webPage];

export const formatById = (id: string): Format | undefined => FORMATS.find((format) => format.id === id);
