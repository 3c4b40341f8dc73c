import { chartSvg } from './data/chart-svg.ts';
import { exposureCsv } from './data/exposure-csv.ts';
import { framesCsv } from './data/frames-csv.ts';
import type { Format } from './format.ts';
import { animatedSvg } from './web/animated-svg.ts';
import { webPage } from './web/web-page.ts';

export { CAMERA_ROW, csvLine, jsonRow, poseColumns, poseRow, type PoseRow } from './data/pose-rows.ts';
export { lostFeatures } from './features.ts';
export type { Format } from './format.ts';
export { describeOptions, type FormatOption } from './options.ts';
export { pathData } from './path-data.ts';
export { AbortedError, QUIET_RUN } from './run.ts';
export { readOptions, send } from './send.ts';
export { memorySink, textOf, type Sink } from './sink.ts';
export { fileStem, formatNumber } from './text.ts';

/** Every format, in the order in which they are offered. To add one: write its file, add it here. */
export const FORMATS: readonly Format[] = [animatedSvg, webPage, framesCsv, chartSvg, exposureCsv];

export const formatById = (id: string): Format | undefined => FORMATS.find((format) => format.id === id);
