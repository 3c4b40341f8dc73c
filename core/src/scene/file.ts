import { migrate } from './migrations.ts';
import { SCENE_FORMAT, sceneSchema, sceneShape, type Scene } from './schema.ts';

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
    return problem(`this is not JSON: ${error instanceof Error ? error.message : String(error)}`);
  }
  return sceneFromJson(json);
}

/** As `readScene`, from parsed JSON. */
export function sceneFromJson(json: unknown): SceneReading {
  if (typeof json !== 'object' || json === null || Array.isArray(json))
    return problem('a scene file holds one JSON object');
  const record = json as Record<string, unknown>;
  if (record['format'] !== SCENE_FORMAT)
    return problem(`this is not a Pace Line scene ("format" is not "${SCENE_FORMAT}")`, 'format');
  const migrated = migrate(record);
  if (!migrated.ok) return problem(migrated.message.replace(/^version: /, ''), 'version');
  const parsed = sceneSchema.safeParse(migrated.scene);
  if (parsed.success) return { ok: true, scene: parsed.data };
  return {
    ok: false,
    problems: parsed.error.issues.map((issue) => ({ path: issue.path.join('.'), message: issue.message })),
  };
}

/** A problem in one line: `path: message`. */
export const wordingOf = ({ path, message }: SceneProblem): string => (path ? `${path}: ${message}` : message);

/**
 * A scene as its file: keys in the schema's order, defaults left out, lists of numbers on one line. The same scene always gives the same bytes.
 */
export function writeScene(scene: Scene): string {
  const ordered = sceneShape.parse(scene);
  const bare = {
    ...ordered,
    art: ordered.art,
    guides: ordered.guides.map(bareGuide),
    riders: ordered.riders.map(bareRider),
    tracing: ordered.tracing.length > 0 ? ordered.tracing : undefined,
  };
  const text = JSON.stringify(bare, (_, value: unknown) => (Object.is(value, -0) ? 0 : value), 2);
  return `${text.replace(/\[\n[\s\d.,eE+-]*\]/g, (list) => list.replace(/\s+/g, ' ').replace('[ ', '[').replace(' ]', ']'))}\n`;
}

type Loose = Record<string, unknown>;

const same = (a: unknown, b: unknown): boolean => JSON.stringify(a) === JSON.stringify(b);

const without = (value: object, defaults: Loose): Loose =>
  Object.fromEntries(Object.entries(value).filter(([key, one]) => !(key in defaults && same(one, defaults[key]))));

const bareGuide = (guide: Scene['guides'][number]): Loose => ({
  ...without(guide, { visible: true, locked: false, corridor: null }),
  nodes: guide.nodes.map((node) => without(node, { join: 'corner' })),
});

function bareRider(rider: Scene['riders'][number]): Loose {
  const pace = {
    ...without(rider.pace, { cycle: null, delay: 0, repeat: null }),
    marks: rider.pace.marks.map((mark) => ({
      ...without(mark, { dwell: 0, ease: { kind: 'steady' } }),
      place: without(mark.place, { along: 0, lap: 0 }),
    })),
  };
  const rest = without(rider, {
    at: [0, 0],
    visible: true,
    locked: false,
    output: true,
    heading: { mode: 'level', offset: 0 },
    lift: 0,
    lead: 0,
    scale: [1, 1],
    opacity: 1,
  });
  return { ...rest, pace };
}
