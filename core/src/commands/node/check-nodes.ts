import { nodeIndex, type Scene } from '../../scene/index.ts';
import { guideOf, missingGuide, refusal, type Refusal } from '../command.ts';

/** A guide that is there and not locked. */
export function lockedGuide(scene: Scene, ids: readonly string[]): Refusal | undefined {
  const locked = scene.guides.find((guide) => guide.locked && ids.includes(guide.id));
  return locked ? refusal('locked', { name: locked.name }) : undefined;
}

/** A guide whose nodes are its own: one that follows another has that one's. */
export function linkedGuide(scene: Scene, ids: readonly string[]): Refusal | undefined {
  const linked = scene.guides.find((guide) => guide.link && ids.includes(guide.id));
  if (!linked?.link) return undefined;
  const original = scene.guides.find((guide) => guide.id === linked.link?.of);
  return refusal('linked', { name: linked.name, original: original?.name ?? '' });
}

/** A guide that is there, not locked, and has the nodes named. */
export function checkNodes(scene: Scene, id: string, nodes: readonly string[]): Refusal | undefined {
  const missing = missingGuide(scene, id) ?? lockedGuide(scene, [id]) ?? linkedGuide(scene, [id]);
  if (missing) return missing;
  const guide = guideOf(scene, id);
  const absent = nodes.find((node) => nodeIndex(guide, node) < 0);
  return absent === undefined ? undefined : refusal('no-node', { name: guide.name, id: absent });
}
