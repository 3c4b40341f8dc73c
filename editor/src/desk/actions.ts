import {
  addArt,
  addRider,
  artById,
  attachRider,
  canDeleteMarks,
  canDeleteNodes,
  canInsertMark,
  canPasteMarks,
  copyMarks,
  copyThings,
  cycleOf,
  deleteGuides,
  deleteMarks,
  deleteNodes,
  deleteRiders,
  detachRiders,
  distanceOfPlace,
  foldTime,
  freeId,
  freeName,
  guideById,
  idsIn,
  insertMark,
  moveGuides,
  moveNodes,
  moveRiders,
  parkedRider,
  pasteMarks,
  pasteThings,
  pathData,
  pathOfGuide,
  retimeMark,
  riderById,
  SceneError,
  type Art,
  type Clip,
  type Refusal,
  type Rider,
  type Scene,
  type Seating,
  type Vec,
} from '@pace-line/core';
import type { ReadArt } from '@pace-line/core/art-import';
import { NOTHING, selectGuide, selectRider, type SceneDocument, type Selection } from '../document/index.ts';
import { tell } from '../look/notices.tsx';
import { GuideActions } from './guide-actions.ts';
import type { Remembered } from '../tools/index.ts';
import type { Playback } from './playback.ts';
import { useDeskView } from './view.ts';

/** Stands before what is copied, so that pasting here pastes the things themselves. */
const COPIED = 'Pace Line selection';

/** Canvas px by which what is pasted or duplicated is moved, to be seen. */
const PASTE_OFFSET = 24;

/** Everything that the Desk's buttons, menus and keys do to the scene. Refusals are said, not thrown. */
export class DeskActions {
  readonly #doc: SceneDocument;
  readonly #playback: Playback;
  #clip: Clip | undefined;
  #copiedGuides: readonly string[] = [];

  readonly guides: GuideActions;

  constructor(doc: SceneDocument, playback: Playback) {
    this.#doc = doc;
    this.#playback = playback;
    this.guides = new GuideActions(this);
  }

  /** Remembers what the last guide was made of, so that its fit can be changed. */
  remember(made: Remembered): void {
    useDeskView.getState().set({ remembered: made });
  }

  select(selection: Selection): void {
    this.#doc.select(selection);
  }

  get scene(): Scene {
    return this.#doc.state.committed;
  }

  get selection(): Selection {
    return this.#doc.state.selection;
  }

  /** Makes a change as one step of undo; a refusal is told to the person. */
  do(label: string, change: (scene: Scene) => Scene, selection?: Selection): void {
    try {
      this.#doc.do(label, change, selection);
    } catch (error) {
      if (!(error instanceof SceneError)) throw error;
      tell(error.message);
    }
  }

  undo(): void {
    this.#doc.undo();
  }

  redo(): void {
    this.#doc.redo();
  }

  /** Deletes what is selected, the innermost first: marks, nodes, then riders and guides. */
  deleteSelected(): void {
    const { guides, nodes, riders, marks } = this.selection;
    const [guide] = guides;
    const [rider] = riders;
    if (rider !== undefined && marks.length > 0) {
      if (!refused(canDeleteMarks(this.scene, { rider, marks })))
        this.do(plural('Delete mark', marks), (scene) => deleteMarks(scene, { rider, marks }), selectRider(rider));
    } else if (guide !== undefined && nodes.length > 0) {
      const refusal = canDeleteNodes(this.scene, { guide, nodes });
      if (refusal?.code === 'last-node') this.#deleteThings([guide], []);
      else if (!refused(refusal))
        this.do(
          plural('Delete node', nodes),
          (scene) => deleteNodes(scene, { guide, nodes, refit: true }),
          selectGuide(guide),
        );
    } else if (guides.length > 0 || riders.length > 0) this.#deleteThings(guides, riders);
  }

  #deleteThings(guides: readonly string[], riders: readonly string[]): void {
    const time = this.#playback.time;
    const names = [
      ...guides.map((id) => guideById(this.scene, id)?.name),
      ...riders.map((id) => riderById(this.scene, id)?.name),
    ].filter(Boolean);
    this.do(
      names.length === 1 ? `Delete ${names[0] ?? ''}` : `Delete ${names.length} things`,
      (scene) => deleteGuides(deleteRiders(scene, { ids: riders }), { ids: guides, time }),
      NOTHING,
    );
  }

  copy(): boolean {
    const { guides, riders, marks } = this.selection;
    const [rider] = riders;
    if (rider !== undefined && marks.length > 0) this.#clip = copyMarks(this.scene, rider, marks);
    else if (guides.length + riders.length > 0) {
      this.#clip = copyThings(this.scene, guides, riders);
      this.#copiedGuides = guides;
    } else return false;
    return true;
  }

  /** What goes onto the system's clipboard with a copy: path data where guides were copied. */
  copiedText(): string {
    const guides =
      this.#clip?.kind === 'things' ? this.#clip.guides.filter((one) => this.#copiedGuides.includes(one.id)) : [];
    return guides.length > 0 ? `${COPIED} ${guides.map((one) => pathData(one.nodes, one.closed)).join(' ')}` : COPIED;
  }

  cut(): void {
    if (this.copy()) this.deleteSelected();
  }

  paste(): void {
    const clip = this.#clip;
    if (!clip) return;
    if (clip.kind === 'marks') {
      const [rider] = this.selection.riders;
      if (rider === undefined) return tell('Select the rider whose pace line should get the marks.');
      const args = { rider, clip, time: this.localTime(rider) };
      if (!refused(canPasteMarks(this.scene, args)))
        this.do(plural('Paste mark', clip.marks), (scene) => pasteMarks(scene, args));
      return;
    }
    const pasted = pasteThings(this.scene, clip, PASTE_OFFSET, this.#copiedGuides);
    this.do('Paste', () => pasted.scene, { ...NOTHING, guides: pasted.guides, riders: pasted.riders });
  }

  duplicate(): void {
    const kept = this.#clip;
    const copied = this.#copiedGuides;
    const { riders, marks } = this.selection;
    if (riders[0] !== undefined && marks.length > 0)
      return tell('Marks are duplicated by copying them and pasting at the playhead.');
    if (this.copy()) this.paste();
    this.#clip = kept;
    this.#copiedGuides = copied;
  }

  selectAll(): void {
    const { guides, nodes, riders, marks } = this.selection;
    const guide = guideById(this.scene, guides[0] ?? null);
    const rider = riderById(this.scene, riders[0] ?? '');
    if (guide && nodes.length > 0)
      this.#doc.select(
        selectGuide(
          guide.id,
          guide.nodes.map((node) => node.id),
        ),
      );
    else if (rider && marks.length > 0)
      this.#doc.select(
        selectRider(
          rider.id,
          rider.pace.marks.map((mark) => mark.id),
        ),
      );
    else
      this.#doc.select({
        ...NOTHING,
        guides: this.scene.guides.filter((one) => !one.locked).map((one) => one.id),
        riders: this.scene.riders.filter((one) => !one.locked).map((one) => one.id),
      });
  }

  /** Moves what is selected by an offset, canvas px; marks move by frames in time and by px along the guide. */
  nudge(dx: number, dy: number): void {
    const { guides, nodes, riders, marks } = this.selection;
    const [guide] = guides;
    const [rider] = riders;
    if (rider !== undefined && marks.length > 0) this.nudgeMarks(rider, marks, dx, -dy);
    else if (guide !== undefined && nodes.length > 0)
      this.do(plural('Move node', nodes), (scene) => moveNodes(scene, { guide, nodes, dx, dy }));
    else if (guides.length + riders.length > 0)
      this.do('Move', (scene) => moveRiders(moveGuides(scene, { ids: guides, dx, dy }), { ids: riders, dx, dy }));
  }

  /** Moves marks by frames and by px. */
  nudgeMarks(riderId: string, marks: readonly string[], frames: number, px: number): void {
    this.do(plural('Move mark', marks), (scene) => {
      const ordered = frames > 0 ? [...marks].reverse() : marks;
      return ordered.reduce((sum, mark) => {
        const rider = riderById(sum, riderId);
        const one = rider?.pace.marks.find((each) => each.id === mark);
        if (!rider || !one) return sum;
        const line = markDistance(sum, rider, mark);
        const time = one.time + frames / sum.clock.fps;
        return retimeMark(sum, { rider: riderId, mark, time, ...(px === 0 ? {} : { distance: line + px }) });
      }, scene);
    });
  }

  /** The playhead in a rider's own cycle, s. */
  localTime(riderId: string): number {
    const rider = riderById(this.scene, riderId);
    if (!rider) return 0;
    const { clock } = this.scene;
    return foldTime(
      this.#playback.time,
      rider.pace.delay,
      cycleOf(rider, clock),
      rider.pace.repeat ?? clock.repeat,
      1,
      { local: 0, direction: 1 },
    ).local;
  }

  /** Sets a mark on the selected rider's pace line, at the playhead or at a given local time, s. Gives its id where one was set. */
  addMark(riderId: string | undefined = this.selection.riders[0], at?: number): string | undefined {
    if (riderId === undefined) {
      tell('Select a rider first: the mark is set on its pace line.');
      return undefined;
    }
    const fps = this.scene.clock.fps;
    const time = at ?? Math.round(this.localTime(riderId) * fps) / fps;
    const args = { rider: riderId, time, id: freeId(idsIn(this.scene), `${riderId}-m`) };
    if (refused(canInsertMark(this.scene, args))) return undefined;
    this.do('Add mark', (scene) => insertMark(scene, args), selectRider(riderId, [args.id]));
    return args.id;
  }

  /** Takes a drawing into the scene's art. */
  addArt(name: string, { markup, width, height }: ReadArt): string {
    const id = freeId(idsIn(this.scene), idFrom(name, 'art'));
    const art: Art = { id, name, kind: 'svg', markup, width, height, pivot: [width / 2, height / 2], facing: 0 };
    this.do(`Bring in ${name}`, (scene) => addArt(scene, { art }));
    return id;
  }

  /** Puts art on the canvas: parked at a point, or on a guide there. Gives the new rider's id. */
  placeArt(artId: string, at: Vec, guide: string | null, seating: Seating): string | undefined {
    const art = artById(this.scene, artId);
    if (!art) return undefined;
    const id = freeId(idsIn(this.scene), idFrom(art.name, 'rider'));
    const name = freeName(
      this.scene.riders.map((rider) => rider.name),
      art.name,
    );
    const rider = parkedRider(id, name, artId, at);
    const time = this.#playback.time;
    this.do(
      guide === null ? `Place ${name}` : `Put ${name} on its guide`,
      (scene) => {
        const parked = addRider(scene, { rider });
        return guide === null ? parked : attachRider(parked, { rider: id, guide, seating, time });
      },
      selectRider(id),
    );
    return id;
  }

  /** Puts a rider on a guide, or parks it where it is. */
  ride(riderId: string, guide: string | null, seating: Seating): void {
    const time = this.#playback.time;
    const name = riderById(this.scene, riderId)?.name ?? 'rider';
    this.do(guide === null ? `Park ${name}` : `Put ${name} on a guide`, (scene) =>
      guide === null
        ? detachRiders(scene, { ids: [riderId], time })
        : attachRider(scene, { rider: riderId, guide, seating, time }),
    );
  }
}

function markDistance(scene: Scene, rider: Rider, markId: string): number {
  const guide = guideById(scene, rider.guide);
  const mark = rider.pace.marks.find((one) => one.id === markId);
  return guide && mark ? distanceOfPlace(guide, pathOfGuide(guide), mark.place) : 0;
}

/** True where there was a reason against it, which is then told. */
function refused(refusal: Refusal | undefined): boolean {
  if (refusal) tell(refusal.message);
  return refusal !== undefined;
}

const plural = (label: string, list: readonly unknown[]): string => (list.length === 1 ? label : `${label}s`);

const idFrom = (name: string, fallback: string): string =>
  name
    .toLowerCase()
    .replace(/[^a-z0-9]+/g, '-')
    .replace(/^-+|-+$/g, '')
    .slice(0, 40) || fallback;
