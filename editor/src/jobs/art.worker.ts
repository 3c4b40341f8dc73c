import { readSvgArt, readSvgParts } from '@pace-line/core/art-import';
import { serveJobs } from './serve.ts';

const handlers = {
  art: (text: string) => readSvgArt(text),
  parts: (text: string) => readSvgParts(text),
};

export type ArtHandlers = typeof handlers;
serveJobs(handlers);
