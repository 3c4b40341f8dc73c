import { readFileSync } from 'node:fs';
import type { Scene } from '@pace-line/core';
import { outlinedScene, readFont } from '@pace-line/core/lettering';
import { UsageError } from './errors.ts';

/** A scene whose texts are outlines by these font files; `tell` is told what had to stay text. Without files the scene as it is. */
export function withFonts(scene: Scene, files: readonly string[], tell: (note: string) => void): Scene {
  if (files.length === 0) return scene;
  const { made, left } = outlinedScene(scene, files.map(fontIn));
  left.forEach(tell);
  return made;
}

function fontIn(file: string): ReturnType<typeof readFont> {
  let bytes: Buffer;
  try {
    bytes = readFileSync(file);
  } catch (error) {
    throw new UsageError(
      `--font ${file}: ${(error as NodeJS.ErrnoException).code === 'ENOENT' ? 'there is no such file' : (error as Error).message}`,
    );
  }
  try {
    return readFont(bytes.buffer.slice(bytes.byteOffset, bytes.byteOffset + bytes.length) as ArrayBuffer);
  } catch (error) {
    throw new UsageError(`--font ${file}: ${(error as Error).message}`);
  }
}
