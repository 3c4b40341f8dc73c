import { idsIn, MOST_OUTPUTS, MOST_SETS, type Output, type OutputSet, type Scene } from '../../scene/index.ts';
import { command, refusal, type Refusal } from '../command.ts';

const setOf = ({ sets }: Scene, id: string): OutputSet | undefined => sets.find((one) => one.id === id);

const missingSet = (scene: Scene, id: string): Refusal | undefined =>
  setOf(scene, id) ? undefined : refusal('no-set', { id });

const withSet = (scene: Scene, set: OutputSet): Scene => ({
  ...scene,
  sets: scene.sets.map((one) => (one.id === set.id ? set : one)),
});

/** Whether two outputs write the same. */
export function isSameOutput(a: Output, b: Output): boolean {
  const keys = Object.keys(a.options);
  return (
    a.format === b.format &&
    keys.length === Object.keys(b.options).length &&
    keys.every((key) => Object.hasOwn(b.options, key) && a.options[key] === b.options[key])
  );
}

/** Begins a set with one output. */
export const addSet = command<{ id: string; name: string; output: Output }>(
  (scene, { id, name }) => {
    if (!name.trim()) return refusal('empty-name');
    if (idsIn(scene).has(id)) return refusal('id-taken', { id });
    return scene.sets.length >= MOST_SETS ? refusal('too-many-sets') : undefined;
  },
  (scene, { id, name, output }) => ({ ...scene, sets: [...scene.sets, { id, name: name.trim(), outputs: [output] }] }),
);

/** Keeps one more output in a set. */
export const keepOutput = command<{ set: string; output: Output }>(
  (scene, { set, output }) => {
    const found = setOf(scene, set);
    if (!found) return refusal('no-set', { id: set });
    if (found.outputs.some((one) => isSameOutput(one, output))) return refusal('kept-already', { name: found.name });
    return found.outputs.length >= MOST_OUTPUTS ? refusal('too-many-outputs') : undefined;
  },
  (scene, { set, output }) => {
    const found = setOf(scene, set);
    return found ? withSet(scene, { ...found, outputs: [...found.outputs, output] }) : scene;
  },
);

/** Takes an output out of a set; with its last one the set goes. */
export const dropOutput = command<{ set: string; at: number }>(
  (scene, { set, at }) => missingSet(scene, set) ?? (setOf(scene, set)?.outputs[at] ? undefined : refusal('no-output')),
  (scene, { set, at }) => {
    const found = setOf(scene, set);
    if (!found) return scene;
    const outputs = found.outputs.filter((_, i) => i !== at);
    return outputs.length === 0
      ? { ...scene, sets: scene.sets.filter((one) => one !== found) }
      : withSet(scene, { ...found, outputs });
  },
);

/** Gives a set of outputs another name. */
export const renameSet = command<{ set: string; name: string }>(
  (scene, { set, name }) => missingSet(scene, set) ?? (name.trim() ? undefined : refusal('empty-name')),
  (scene, { set, name }) => {
    const found = setOf(scene, set);
    return found ? withSet(scene, { ...found, name: name.trim() }) : scene;
  },
);

/** Deletes a set of outputs. */
export const deleteSet = command<{ set: string }>(
  (scene, { set }) => missingSet(scene, set),
  (scene, { set }) => ({ ...scene, sets: scene.sets.filter((one) => one.id !== set) }),
);
