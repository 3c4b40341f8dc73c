import { wordsOfIssue } from './issue-words.ts';
import { migrate } from './migrations.ts';
import { SCENE_FORMAT, sceneSchema, sceneShape, withoutDefaults, type Scene } from './schema/index.ts';

/** What was wrong with a scene file, and where: a path such as `riders.0.pace.marks.2.time`, empty for the whole file. */
export interface SceneProblem {
  readonly path: string;
  readonly message: string;
}

export type SceneReading =
  { readonly ok: true; readonly scene: Scene } | { readonly ok: false; readonly problems: readonly SceneProblem[] };

const problem = (message: string, path = ''): SceneReading => ({ ok: false, problems: [{ path, message }] });

/** Reads a scene file: JSON, version, migrations, schema. Never throws. */
export function readScene(text: string): SceneReading {
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
  const parsed = sceneSchema.safeParse(migrated.scene);
  if (parsed.success) return { ok: true, scene: parsed.data };
  return {
    ok: false,
    problems: parsed.error.issues.map((issue) => ({
      path: issue.path.join('.'),
      message: wordsOfIssue(issue, migrated.scene),
    })),
  };
}

/** A problem in one line: `path: message`. */
export const wordingOf = ({ path, message }: SceneProblem): string => (path ? `${path}: ${message}` : message);

/**
 * A scene as its file: keys in the schema's order, defaults left out, lists of numbers on one line. The same scene always gives the same bytes.
 */
export function writeScene(scene: Scene): string {
  const ordered = sceneShape.parse(scene);
  const bare = withoutDefaults(sceneShape, ordered);
  const text = JSON.stringify(bare, (_, value: unknown) => (Object.is(value, -0) ? 0 : value), 2);
  return `${text.replace(/\[\n[\s\d.,eE+-]*\]/g, (list) => list.replace(/\s+/g, ' ').replace('[ ', '[').replace(' ]', ']'))}\n`;
}
