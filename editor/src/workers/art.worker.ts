import { expose } from 'comlink';
import { readSvgArt, readSvgParts } from '@pace-line/core/art-import';

const api = { readSvgArt, readSvgParts };

export type ArtApi = typeof api;
expose(api);
