import { linkedScene, sceneIn, type SceneReading } from '@pace-line/core';
import { readSvgArt, readSvgParts } from '@pace-line/core/art-import';
import { falseNames } from '../platform/pixels.ts';
import { serveJobs } from './serve.ts';

const handlers = {
  art: (text: string) => readSvgArt(text),
  parts: (text: string) => readSvgParts(text),
  /** A scene file, or a sent file that carries a scene. */
  scene: (text: string) => withTrueNames(sceneIn(text)),
  /** The end of an address that holds a scene. */
  link: (text: string) => withTrueNames(linkedScene(text)),
};

/** A scene whose pixels are those that their names say. */
async function withTrueNames(read: SceneReading): Promise<SceneReading> {
  if (!read.ok || (await falseNames(read.scene.assets)).length === 0) return read;
  return { ok: false, problems: [{ path: 'assets', message: 'a picture is not the one that its name says' }] };
}

export type ArtHandlers = typeof handlers;
serveJobs(handlers);
