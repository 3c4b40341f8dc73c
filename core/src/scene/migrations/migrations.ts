import { SCENE_VERSION } from '../schema/index.ts';
import { isObject } from './json.ts';
import { withOneAxis } from './one-axis.ts';
import { withEvenEases } from './softer.ts';

/** A step from one version's JSON to the next one's: pure, and run before validation. */
type Migration = (scene: Record<string, unknown>) => Record<string, unknown>;

/**
 * Migrations by the version that they start from. 1 → 2: guides may have a thickness, a shape, a link and a stroke, nodes a name, scenes tracing pictures; all may be absent. 2 → 3: riders may
 * have more headings, keys, a roll, a squash and a carrier, guides a carrier; all may be absent. 3 → 4: strips of poses, what is strung, behind, inside or raised, guides
 * with a depth, a camera, linked paces; all may be absent. 4 → 5: eases have a strength and more kinds (flow, spring, shaped), paces a recipe; all may be absent. 5 → 6: paces may be held on
 * frames and waver, clocks have a tempo, scenes a driver; all may be absent. 6 → 7: scenes may hold sets of outputs; they may be absent. 7 → 8: riders may
 * have an entrance; it may be absent. 8 → 9: riders may be seen within a carried guide. 9 → 10: what drives a scene is a list; riders may have
 * a pivot, which may be absent; squash has one axis a rider; softer eases keep their ends. 10 → 11: riders may come only the first time, be hidden until they start, and
 * run in the lead-in, hops land at their marks' times; all may be absent. 11 → 12: scenes may say what they are checked against; it may be absent.
 */
const MIGRATIONS: Readonly<Record<number, Migration>> = {
  1: (scene) => scene,
  2: (scene) => scene,
  3: (scene) => scene,
  4: (scene) => scene,
  5: (scene) => scene,
  6: (scene) => scene,
  7: (scene) => scene,
  8: (scene) => scene,
  9: (scene) =>
    withOneAxis({
      ...scene,
      ...(isObject(scene['driver']) ? { driver: [scene['driver']] } : {}),
      ...('riders' in scene ? { riders: withEvenEases(scene['riders']) } : {}),
    }),
  10: (scene) => scene,
  11: (scene) => scene,
};

type Migrated =
  { readonly ok: true; readonly scene: Record<string, unknown> } | { readonly ok: false; readonly message: string };

/** Brings a scene's JSON up to the current version, step by step. A newer version is refused. */
export function migrate(
  scene: Record<string, unknown>,
  migrations: Readonly<Record<number, Migration>> = MIGRATIONS,
  current: number = SCENE_VERSION,
): Migrated {
  const version = scene['version'];
  if (typeof version !== 'number' || !Number.isInteger(version) || version < 1)
    return { ok: false, message: 'version: a whole number from 1 is needed' };
  if (version > current)
    return {
      ok: false,
      message: `version: the file is of version ${version}, this program reads up to ${current}; open it with a newer Pace Line`,
    };
  let result = scene;
  for (let v = version; v < current; v++) {
    const step = migrations[v];
    if (!step) return { ok: false, message: `version: no way leads from version ${v} to ${v + 1}` };
    result = { ...step(result), version: v + 1 };
  }
  return { ok: true, scene: result };
}
