import { expose } from 'comlink';
import { readSvgArt } from '@pace-line/core/art-import';

const api = { readSvgArt };

export type ArtApi = typeof api;
expose(api);
