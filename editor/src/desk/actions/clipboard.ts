import {
  copyKeys,
  copyMarks,
  copyThings,
  guideById,
  holdersAround,
  nodesLost,
  pasteKeys,
  pasteMarks,
  pasteThings,
  pathData,
  riderById,
  withAllInside,
  type Clip,
  type KeysClip,
} from '@pace-line/core';
import { keyIdsOf, NOTHING, selectedParts, selectRider } from '../../document/index.ts';
import { tell } from '../../look/notices.tsx';
import { sceneOf, selectionOf, type Desk } from '../desk.ts';
import { change, perform, plural } from './change.ts';
import { deleteSelected } from './selecting.ts';
import { localTimeOf } from './marks.ts';
import { wordsOfRefusal } from '../../words/refusals.ts';

/** Stands before what is copied, so that pasting here pastes the things themselves. */
const COPIED = 'Pace Line selection';

/** Canvas px by which what is pasted or duplicated is moved, to be seen. */
const PASTE_OFFSET = 24;

/** What was copied last, with the guides that were asked for (others came along with their riders). */
interface Held {
  readonly clip: Clip;
  readonly guides: readonly string[];
}

/** One for the whole application: what is copied in one scene is pasted in another. */
let held: Held | undefined;

/** Copies what is selected; false where nothing is. */
export function copySelected(desk: Desk): boolean {
  const made = clipOf(desk);
  if (made) held = made;
  return made !== undefined;
}

function clipOf(desk: Desk): Held | undefined {
  const scene = sceneOf(desk);
  const { guides, riders } = selectionOf(desk);
  const parts = selectedParts(selectionOf(desk));
  if (parts?.kind.list === 'keys') return { clip: copyKeys(scene, parts.owner, parts.ids), guides: [] };
  if (parts?.kind.list === 'marks') return { clip: copyMarks(scene, parts.owner, parts.ids), guides: [] };
  const all = withAllInside(scene, guides, riders);
  return all.riders.length + all.guides.length > 0
    ? { clip: copyThings(scene, all.guides, all.riders), guides: all.guides }
    : undefined;
}

/** What goes onto the system's clipboard with a copy: path data where guides were copied. */
export function copiedText(): string {
  const guides = held?.clip.kind === 'things' ? held.clip.guides.filter((one) => held?.guides.includes(one.id)) : [];
  return guides.length > 0 ? `${COPIED} ${guides.map((one) => pathData(one.nodes, one.closed)).join(' ')}` : COPIED;
}

export function cutSelected(desk: Desk): void {
  if (copySelected(desk)) deleteSelected(desk);
}

export function pasteHeld(desk: Desk): boolean {
  if (held) pasteClip(desk, held);
  return held !== undefined;
}

/** Pastes a copy of what is selected, without touching what was copied. */
export function duplicateSelected(desk: Desk): void {
  const list = selectedParts(selectionOf(desk))?.kind.list;
  if (list === 'marks' || list === 'keys')
    return tell(
      `${list === 'marks' ? 'Marks' : 'Keyframes'} are duplicated by copying them and pasting at the playhead.`,
    );
  const made = clipOf(desk);
  if (made) pasteClip(desk, made);
}

function pasteCopiedKeys(desk: Desk, clip: KeysClip, rider: string): void {
  const idsOf = (): readonly string[] => keyIdsOf(sceneOf(desk), rider);
  const before = new Set(idsOf());
  const args = { rider, clip, time: localTimeOf(desk, rider) };
  if (!perform(desk, plural('Paste keyframe', clip.keys), pasteKeys, args)) return;
  desk.doc.select({ ...selectRider(rider), keys: idsOf().filter((id) => !before.has(id)) });
}

function pasteClip(desk: Desk, { clip, guides: asked }: Held): void {
  if (clip.kind === 'things') {
    const pasted = pasteThings(sceneOf(desk), clip, PASTE_OFFSET, asked);
    // Of a scene that was set in, the one thing that it is.
    const around = holdersAround(pasted.scene);
    const isWhole = (id: string): boolean => !around.get(id)?.some((holder) => pasted.riders.includes(holder));
    const [guides, riders] = [pasted.guides.filter(isWhole), pasted.riders.filter(isWhole)];
    change(desk, 'Paste', () => pasted.scene, { ...NOTHING, guides, riders });
    return;
  }
  const [rider] = selectionOf(desk).riders;
  if (rider === undefined) return tell(`Select the rider that should get the ${clip.kind}.`);
  if (clip.kind === 'keys') return pasteCopiedKeys(desk, clip, rider);
  const args = { rider, clip, time: localTimeOf(desk, rider) };
  const refusal = pasteMarks.can(sceneOf(desk), args);
  if (refusal) return tell(wordsOfRefusal(refusal));
  const before = new Set(riderById(sceneOf(desk), rider)?.pace.marks.map(({ id }) => id));
  change(desk, plural('Paste mark', clip.marks), (scene) => pasteMarks(scene, args));
  const now = riderById(sceneOf(desk), rider);
  const fresh = now?.pace.marks.filter(({ id }) => !before.has(id)) ?? [];
  desk.doc.select(
    selectRider(
      rider,
      fresh.map(({ id }) => id),
    ),
  );
  const guide = guideById(sceneOf(desk), now?.guide ?? null);
  const lost = guide ? nodesLost(clip, guide) : 0;
  if (guide && lost > 0)
    tell(
      `${guide.name} has no nodes that answer to those of ${clip.guide.name}: ${lost === 1 ? 'a mark was' : `${lost} marks were`} placed by the share of the way.`,
    );
}
