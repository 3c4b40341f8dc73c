import { z } from 'zod';
import type { SceneProblem } from './file.ts';
import { wordsOfIssue } from './issue-words.ts';
import { artSchema } from './schema/art.ts';
import { guideSchema } from './schema/guide.ts';
import { artTrouble, invariantsOf } from './schema/invariants.ts';
import { riderSchema } from './schema/rider.ts';
import { assetsSchema, MOST, sceneShape } from './schema/scene.ts';
import { tracingSchema } from './schema/tracing.ts';
import type { Art, Scene } from './schema/index.ts';

const PARTS = [
  ['art', artSchema],
  ['guides', guideSchema],
  ['riders', riderSchema],
  ['tracing', tracingSchema],
] as const;

const manyOf = (most: number) => z.array(z.unknown()).max(most);

/** A scene without what its parts say themselves. */
const frameShape = sceneShape.extend({
  art: manyOf(MOST.art),
  guides: manyOf(MOST.guides),
  riders: manyOf(MOST.riders),
  tracing: manyOf(MOST.tracing),
  assets: z.unknown(),
});

/** Parts that passed: a part is never changed, only replaced, so each is asked once. */
const passed = new WeakSet<object>();
const verified = new WeakSet<Art>();

/**
 * What would keep a scene from being opened again once it is written: what reading its file would say, but only what has changed since it was last asked is
 * looked at. None where it is sound. `withMarkup` false: but for the drawings of art, which take longest; what brings those in has looked at them.
 */
export function problemsOf(scene: Scene, withMarkup = true): SceneProblem[] {
  const problems: SceneProblem[] = [];
  const ask = (part: object, schema: z.ZodType, path: readonly PropertyKey[]): void => {
    if (passed.has(part)) return;
    const read = schema.safeParse(part);
    if (read.success) passed.add(part);
    for (const issue of read.error?.issues ?? []) {
      const whole = { ...issue, path: [...path, ...issue.path] };
      problems.push({ path: whole.path.join('.'), message: wordsOfIssue(whole, scene) });
    }
  };
  ask(scene, frameShape, []);
  for (const [list, schema] of PARTS) scene[list].forEach((part, i) => ask(part, schema, [list, i]));
  ask(scene.assets, assetsSchema, ['assets']);
  if (problems.length > 0) return problems;
  invariantsOf(scene, (path, message) => problems.push({ path: path.join('.'), message }));
  if (!withMarkup) return problems;
  scene.art.forEach((one, i) => {
    const trouble = verified.has(one) ? undefined : artTrouble(one);
    if (trouble === undefined) verified.add(one);
    else problems.push({ path: `art.${i}.markup`, message: trouble });
  });
  return problems;
}
