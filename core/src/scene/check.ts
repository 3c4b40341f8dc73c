import { z } from '../zod.ts';
import { Problems, type SceneProblem, type SceneReading } from './problems.ts';
import { artSchema } from './schema/art.ts';
import { guideSchema, MOST_NODES, nodeSchema } from './schema/guide.ts';
import { artTrouble, invariantsOf } from './schema/invariants.ts';
import { riderSchema } from './schema/rider.ts';
import { assetsSchema, MOST, sceneShape } from './schema/scene.ts';
import { tracingSchema } from './schema/tracing.ts';
import type { Art, Guide, Scene } from './schema/index.ts';
import { troubleOfWeight } from './weight.ts';

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
  tracing: manyOf(MOST.tracing).default([]),
  assets: z.unknown().optional(),
});

/** A guide without what its nodes say themselves: of many nodes an edit changes few. */
const guideFrame = guideSchema.extend({ nodes: manyOf(MOST_NODES) });

/** Parts that passed: a part is never changed, only replaced, so each is asked once. */
const passed = new WeakSet<object>();
const verified = new WeakSet<Art>();

/** Looks at what the parts of a scene cannot say alone: what joins them, and the drawings of art. */
function lookAtWhole(scene: Scene, problems: Problems, withMarkup: boolean): void {
  invariantsOf(scene, problems.tell);
  if (!withMarkup) return;
  for (const [i, one] of scene.art.entries()) {
    if (problems.isFull) return;
    const trouble = verified.has(one) ? undefined : artTrouble(one);
    if (trouble === undefined) verified.add(one);
    else problems.tell(['art', i, 'markup'], trouble);
  }
}

/** Reads a scene of the current version, part by part; stops where there are problems enough. */
export function readParts(json: Readonly<Record<string, unknown>>): SceneReading {
  const problems = new Problems(json);
  const frame = frameShape.safeParse(json);
  problems.add(frame.error?.issues, []);
  const read: Record<string, readonly unknown[]> = {};
  for (const [list, schema] of PARTS) {
    const given = json[list] ?? [];
    const parts: unknown[] = [];
    for (const [i, part] of (Array.isArray(given) ? given : []).entries()) {
      if (problems.isFull) break;
      const one = schema.safeParse(part);
      problems.add(one.error?.issues, [list, i]);
      if (!one.success) continue;
      passed.add(one.data);
      if (list === 'guides') (one.data as Guide).nodes.forEach((node) => passed.add(node));
      parts.push(one.data);
    }
    read[list] = Object.freeze(parts);
  }
  const assets = assetsSchema.default({}).safeParse(json['assets']);
  problems.add(assets.error?.issues, ['assets']);
  if (!frame.success || !assets.success || problems.list.length > 0) return { ok: false, problems: problems.list };
  passed.add(assets.data);
  const scene = { ...frame.data, ...read, assets: assets.data } as Scene;
  lookAtWhole(scene, problems, true);
  return problems.list.length > 0 ? { ok: false, problems: problems.list } : { ok: true, scene };
}

/**
 * What would keep a scene from being opened again once it is written: what reading its file would say, but only what has changed since it was last asked is
 * looked at. None where it is sound. `withMarkup` false: but for the drawings of art, which take longest; what brings those in has looked at them.
 */
export function problemsOf(scene: Scene, withMarkup = true): readonly SceneProblem[] {
  const problems = new Problems(scene);
  const trouble = troubleOfWeight(scene);
  if (trouble !== undefined) problems.tell([], trouble);
  const ask = (part: object, schema: z.ZodType, path: readonly PropertyKey[]): void => {
    if (problems.isFull || passed.has(part)) return;
    const read = schema.safeParse(part);
    if (read.success) passed.add(part);
    problems.add(read.error?.issues, path);
  };
  ask(scene, frameShape, []);
  for (const [list, schema] of PARTS)
    if (list !== 'guides') scene[list].forEach((part, i) => ask(part, schema, [list, i]));
  scene.guides.forEach((guide, i) => {
    if (passed.has(guide)) return;
    const found = problems.list.length;
    guide.nodes.forEach((node, j) => ask(node, nodeSchema, ['guides', i, 'nodes', j]));
    // It passes with its nodes, or not at all.
    if (problems.list.length === found) ask(guide, guideFrame, ['guides', i]);
  });
  ask(scene.assets, assetsSchema, ['assets']);
  if (problems.list.length === 0) lookAtWhole(scene, problems, withMarkup);
  return problems.list;
}

/** Why a part of a scene is not taken, for itself; undefined where it is. */
export function partTrouble(list: (typeof PARTS)[number][0], part: object): string | undefined {
  if (passed.has(part)) return undefined;
  const schema = PARTS.find(([name]) => name === list)?.[1];
  const problems = new Problems(part);
  problems.add(schema?.safeParse(part).error?.issues, []);
  const [first] = problems.list;
  return first && (first.path ? `${first.path}: ${first.message}` : first.message);
}
