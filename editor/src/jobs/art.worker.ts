import { heldOutline, linkedScene, readTrails, sceneIn, type SceneReading, type TrailsAsked } from '@pace-line/core';
import { readSvgArt, readSvgParts, type PartsResult } from '@pace-line/core/art-import';
import { falseNames } from '../platform/pixels.ts';
import type { JobReports } from './protocol.ts';
import { serveJobs } from './serve.ts';

const handlers = {
  art: (text: string) => readSvgArt(text),
  parts: (text: string) => withHeldOutlines(readSvgParts(text)),
  /** A list of points or the tracks of a GPX file. */
  trails: (asked: TrailsAsked, { progress }: JobReports) => readTrails(asked, progress),
  /** A scene file, or a sent file that carries a scene. */
  scene: (text: string) => withTrueNames(sceneIn(text)),
  /** The end of an address that holds a scene. */
  link: (text: string) => withTrueNames(linkedScene(text)),
};

/** The parts of a drawing, each line with no more nodes than a guide holds. */
function withHeldOutlines(result: PartsResult): PartsResult {
  if (!result.ok) return result;
  const parts = result.parts.parts.map((part) => ({ ...part, outlines: part.outlines.map(heldOutline) }));
  return { ...result, parts: { ...result.parts, parts } };
}

/** A scene whose pixels are those that their names say. */
async function withTrueNames(read: SceneReading): Promise<SceneReading> {
  if (!read.ok || (await falseNames(read.scene.assets)).length === 0) return read;
  return { ok: false, problems: [{ path: 'assets', message: 'a picture is not the one that its name says' }] };
}

export type ArtHandlers = typeof handlers;
serveJobs(handlers);
