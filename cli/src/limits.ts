import { sceneFromJson, wordingOf, writeScene, type Scene } from '@pace-line/core';
import { UsageError } from './errors.ts';
import { readText } from './reading.ts';

/** A scene that is checked against the limits of a file: JSON with what stands in a scene's `checks`. What it has stands instead of the scene's own; the rest stays. */
export function withLimits(scene: Scene, file: string): Scene {
  const given = limitsIn(file);
  const read = sceneFromJson({ ...(JSON.parse(writeScene(scene)) as object), checks: { ...scene.checks, ...given } });
  if (read.ok) return read.scene;
  const [first] = read.problems;
  throw new UsageError(`${file}: ${first ? wordingOf(first) : 'cannot be read'}`);
}

function limitsIn(file: string): object {
  let given: unknown;
  try {
    given = JSON.parse(readText(file));
  } catch (error) {
    if (error instanceof UsageError) throw error;
    throw new UsageError(`${file}: limits are JSON, as in a scene’s checks`);
  }
  if (typeof given !== 'object' || given === null || Array.isArray(given))
    throw new UsageError(`${file}: limits are one JSON object, as a scene’s checks are`);
  return given;
}
