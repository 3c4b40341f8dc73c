import { readParts } from './check.ts';
import { migrate } from './migrations/index.ts';
import type { SceneProblem, SceneReading } from './problems.ts';
import { SCENE_FORMAT, sceneShape, withoutDefaults, type Scene } from './schema/index.ts';
import { troubleOfText, troubleOfWeight } from './weight.ts';

const problem = (message: string, path = ''): SceneReading => ({ ok: false, problems: [{ path, message }] });

/**
 * Reads a scene file: its size, JSON, version, migrations, schema. Never throws. Every scene that comes in from anywhere comes through here or, where it is JSON
 * already, through `sceneFromJson`: what is too much is refused before it is taken apart.
 *
 * @example
 * ```ts
 * import { readScene } from '@pace-line/core';
 *
 * const read = readScene('{"format":"pace-line/scene","version":11}');
 * if (!read.ok) console.log(read.problems[0]?.path); // name
 * ```
 */
export function readScene(text: string): SceneReading {
  const trouble = troubleOfText(text);
  if (trouble !== undefined) return problem(`${trouble}: no scene has as much`);
  let json: unknown;
  try {
    json = JSON.parse(text);
  } catch (error) {
    return problem(
      `this is not a Pace Line scene, nor JSON: ${error instanceof Error ? error.message : String(error)}`,
    );
  }
  return sceneFromJson(json);
}

/** As `readScene`, from parsed JSON. */
export function sceneFromJson(json: unknown): SceneReading {
  if (typeof json !== 'object' || json === null || Array.isArray(json))
    return problem('this is not a Pace Line scene: a scene file holds one JSON object');
  const record = json as Record<string, unknown>;
  if (record['format'] !== SCENE_FORMAT)
    return problem(`this is not a Pace Line scene ("format" is not "${SCENE_FORMAT}")`, 'format');
  const migrated = migrate(record);
  if (!migrated.ok) return problem(migrated.message.replace(/^version: /, ''), 'version');
  const trouble = troubleOfWeight(migrated.scene);
  return trouble === undefined ? readParts(migrated.scene) : problem(trouble);
}

/** A problem in one line: `path: message`. */
export const wordingOf = ({ path, message }: SceneProblem): string => (path ? `${path}: ${message}` : message);

/**
 * A scene as its file: keys in the schema's order, defaults left out, lists of numbers on one line. The same scene always gives the same bytes.
 *
 * @example
 * ```ts
 * import { emptyScene, readScene, writeScene } from '@pace-line/core';
 *
 * const text = writeScene(emptyScene('Quay'));
 * const again = readScene(text);
 * console.log(again.ok && again.scene.name); // Quay
 * ```
 */
export function writeScene(scene: Scene): string {
  const ordered = sceneShape.parse(scene);
  const bare = withoutDefaults(sceneShape, ordered);
  const text = JSON.stringify(bare, (_, value: unknown) => (Object.is(value, -0) ? 0 : value), 2);
  return `${text.replace(/\[\n[\s\d.,eE+-]*\]/g, (list) => list.replace(/\s+/g, ' ').replace('[ ', '[').replace(' ]', ']'))}\n`;
}
