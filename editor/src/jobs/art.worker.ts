import {
  type Art,
  heldOutline,
  linkedScene,
  readTrails,
  sceneIn,
  type SceneReading,
  type TrailsAsked,
} from '@pace-line/core';
import { readSvgArt, readSvgParts, type PartsResult } from '@pace-line/core/art-import';
import { outlinedArt, readFont, type Font } from '@pace-line/core/lettering';
import { falseNames } from '../platform/pixels.ts';
import type { JobReports } from './protocol.ts';
import { serveJobs } from './serve.ts';

const handlers = {
  art: (text: string) => readSvgArt(text),
  parts: (text: string) => withHeldOutlines(readSvgParts(text)),
  /** An art with its texts as outlines by the fonts of these files. */
  outlined: ({ art, fonts }: { art: Art; fonts: readonly { readonly name: string; readonly bytes: ArrayBuffer }[] }) =>
    outlinedArt(
      art,
      fonts.map(({ name, bytes }) => fontNamed(name, bytes)),
    ),
  /** A list of points or the tracks of a GPX file. */
  trails: (asked: TrailsAsked, { progress }: JobReports) => readTrails(asked, progress),
  /** A scene file, or a sent file that carries a scene. */
  scene: (text: string) => withTrueNames(sceneIn(text)),
  /** The end of an address that holds a scene. */
  link: (text: string) => withTrueNames(linkedScene(text)),
};

/** A font; what is wrong with its file is said with its name. */
function fontNamed(name: string, bytes: ArrayBuffer): Font {
  try {
    return readFont(bytes);
  } catch (error) {
    throw new Error(`${name}: ${error instanceof Error ? error.message : String(error)}`);
  }
}

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
