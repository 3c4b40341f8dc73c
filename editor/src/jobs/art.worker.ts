import { readScene, type SceneReading } from '@pace-line/core';
import { readSvgArt, readSvgParts } from '@pace-line/core/art-import';
import { falseNames } from '../platform/pixels.ts';
import { serveJobs } from './serve.ts';

const handlers = {
  art: (text: string) => readSvgArt(text),
  parts: (text: string) => readSvgParts(text),
  /** A scene file, its pixels compared with their names. */
  async scene(text: string): Promise<SceneReading> {
    const read = readScene(text);
    if (!read.ok || (await falseNames(read.scene.assets)).length === 0) return read;
    return { ok: false, problems: [{ path: 'assets', message: 'a picture is not the one that its name says' }] };
  },
};

export type ArtHandlers = typeof handlers;
serveJobs(handlers);
