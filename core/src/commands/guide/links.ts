import { guideById, idsIn, type Guide, type GuideLink, type Scene } from '../../scene/index.ts';
import { command, guideOf, missingGuide, refusal, replaceGuide, type Refusal } from '../command.ts';
import { linkedOutline } from '../settle.ts';

/** A guide at a distance (px, left of its direction) from another one, or the same one elsewhere; `linked`: it follows the original from then on. */
export const addLinked = command<{ id: string; name: string; link: GuideLink; linked: boolean }>(
  (scene, { id, link }): Refusal | undefined => {
    const missing = missingGuide(scene, link.of);
    if (missing) return missing;
    if (idsIn(scene).has(id)) return refusal('id-taken', { id });
    const original = guideOf(scene, link.of);
    if (original.link) return refusal('original-linked', { name: original.name });
    return linkedOutline(original, blank(original, id, ''), link) ? undefined : refusal('nothing-left');
  },
  (scene, { id, name, link, linked }) => {
    const original = guideOf(scene, link.of);
    const made = linkedOutline(original, blank(original, id, name), link);
    return made ? { ...scene, guides: [...scene.guides, linked ? { ...made, link } : made] } : scene;
  },
);

function blank(original: Guide, id: string, name: string): Guide {
  const { shape: _shape, link: _link, stroke: _stroke, ...rest } = original;
  return { ...rest, id, name, nodes: [], locked: false, visible: true };
}

function linkedOne(scene: Scene, id: string): Refusal | undefined {
  return missingGuide(scene, id) ?? (guideOf(scene, id).link ? undefined : refusal('not-linked'));
}

/** Changes how a linked guide follows its original. */
export const setLink = command<{ id: string; link: GuideLink }>(
  (scene, { id, link }) => {
    const refused = linkedOne(scene, id);
    if (refused) return refused;
    const original = guideById(scene, link.of);
    return original && linkedOutline(original, guideOf(scene, id), link) ? undefined : refusal('nothing-left');
  },
  (scene, { id, link }) => replaceGuide(scene, { ...guideOf(scene, id), link }),
);

/** Lets a linked guide stand on its own; it stays as it is. */
export const unlinkGuide = command<{ id: string }>(
  (scene, { id }) => linkedOne(scene, id),
  (scene, { id }) => {
    const { link: _link, ...rest } = guideOf(scene, id);
    return replaceGuide(scene, rest);
  },
);
