import { chartPdf } from './data/chart/chart-pdf.ts';
import { chartSvg } from './data/chart/chart-svg.ts';
import { exposureCsv } from './data/exposure-csv.ts';
import { framesCsv } from './data/frames-csv.ts';
import { framesJson } from './data/frames-json.ts';
import { guidesSvg } from './data/guides-svg.ts';
import { paceCss } from './data/pace-css.ts';
import { sceneFile } from './data/scene-file.ts';
import type { Format } from './format.ts';
import { apng } from './screens/apng.ts';
import { gif } from './screens/gif.ts';
import { pngSequence } from './screens/png-sequence.ts';
import { spriteSheet } from './screens/sprite-sheet.ts';
import { webm } from './screens/webm.ts';
import { webp } from './screens/webp.ts';
import { animatedSvg } from './web/animated-svg.ts';
import { lottie } from './web/lottie/lottie.ts';
import { moduleFormat } from './web/module.ts';
import { react } from './web/react.ts';
import { riderCss } from './web/rider-css.ts';
import { webPage } from './web/web-page.ts';

/** Every format, in the order in which they are offered. To add one: write its file, add it here. */
export const FORMATS: readonly Format[] = [
  animatedSvg,
  webPage,
  moduleFormat,
  react,
  riderCss,
  lottie,
  gif,
  apng,
  webp,
  webm,
  pngSequence,
  spriteSheet,
  framesCsv,
  framesJson,
  guidesSvg,
  paceCss,
  chartSvg,
  chartPdf,
  exposureCsv,
  sceneFile,
];

/** A format by what the command line calls it; undefined where there is none. */
export const formatById = (id: string): Format | undefined => FORMATS.find((format) => format.id === id);
