import { problemsOf, wordingOf, type Scene } from '@pace-line/core';
import { reasonOf } from '../words/reasons.ts';
import { OvertakenError, type UndoChange } from './storage/index.ts';
import type { DocumentState, SceneDocument } from './store.ts';

export type SaveState =
  | { readonly kind: 'kept'; readonly at: number }
  | { readonly kind: 'waiting' }
  | { readonly kind: 'failed'; readonly message: string };

/** ms from a change to looking whether it is sound and kept. */
const LOOK = 500;
/** ms from a change to writing the scene whole: the journal has it by then. */
const FOLD = 4000;
const RETRY = 5000;
/** The number of no change. */
const NEVER = -1;

export interface Keeping {
  /** Writes one change, with what can be undone after it. */
  readonly append: (count: number, before: Scene, after: Scene, undo: UndoChange) => Promise<void>;
  /** Writes the scene whole, with its changes up to number `count`. */
  readonly fold: (scene: Scene, count: number) => Promise<void>;
  /** Whether the scene's record is still there; refused where another tab has taken the scene over. */
  readonly holds: () => Promise<boolean>;
  /** Writes a scene before the page goes; false where that cannot be. */
  readonly part: (scene: Scene, count: number) => boolean;
  readonly report: (state: SaveState) => void;
  /** Another tab has changed the scene: what is here is older, and nothing of it is written any more. */
  readonly overtaken: () => void;
}

/** What keeps an open document. */
export interface Autosave {
  /** Writes what is not in the record yet, now. */
  readonly flush: () => Promise<void>;
  /** The same, and no more after it. */
  readonly stop: () => void;
}

/** How far an open document is kept. Changes are numbered on from those that it had when it was read. */
class Keeper {
  /** The last change; the last that the journal or the record has, and the last that the record has. */
  #made: number;
  #kept: number;
  #folded: number;
  /** When the last of them was kept, ms since 1970. */
  #keptAt = Date.now();
  /** Changes do not reach the journal: the scene is written whole instead. */
  #isBroken = false;
  #isOvertaken = false;
  #hasEnded = false;
  #failure: string | undefined;
  #look: ReturnType<typeof setTimeout> | undefined;
  #later: ReturnType<typeof setTimeout> | undefined;
  #folding: Promise<void> | undefined;
  readonly #doc: SceneDocument;
  readonly #keeping: Keeping;

  constructor(doc: SceneDocument, count: number, keeping: Keeping) {
    this.#doc = doc;
    this.#keeping = keeping;
    this.#made = this.#kept = this.#folded = count;
  }

  get isPending(): boolean {
    return this.#kept !== this.#made && !this.#isOvertaken;
  }

  get hasFailed(): boolean {
    return this.#failure !== undefined;
  }

  /** A change was made: it is on its way before anything else happens. */
  note(before: DocumentState, after: DocumentState): void {
    const count = ++this.#made;
    if (!this.hasFailed) this.#keeping.report({ kind: 'waiting' });
    if (!this.#isBroken && !this.#isOvertaken)
      void this.#keeping
        .append(count, before.committed, after.committed, { before, after, scene: after.committed })
        .then(
          () => this.#reach(count),
          () => this.#break(),
        );
    this.#look ??= setTimeout(() => this.look(), LOOK);
  }

  /** Says whether the scene is kept: what is not sound is not, though its changes are written. */
  look(): void {
    clearTimeout(this.#look);
    this.#look = undefined;
    if (this.#isOvertaken) return;
    const [problem] = problemsOf(this.#doc.state.committed);
    if (problem) return this.#fail(`it could not be opened again: ${wordingOf(problem)}`);
    if (this.isPending) return void (this.#isBroken ? this.fold() : (this.#look = setTimeout(() => this.look(), LOOK)));
    void this.#confirm();
  }

  /** Changes are worth nothing without the record that they follow: where that was deleted the scene is written whole. */
  async #confirm(): Promise<void> {
    try {
      if (!(await this.#keeping.holds())) this.#folded = NEVER;
    } catch (error) {
      if (error instanceof OvertakenError) return this.#overtake();
      this.#folded = NEVER;
    }
    if (this.#folded === NEVER) return this.fold();
    if (this.isPending) return;
    this.#failure = undefined;
    this.#keeping.report({ kind: 'kept', at: this.#keptAt });
    if (this.#folded !== this.#made) this.#later ??= setTimeout(() => void this.fold(), FOLD);
  }

  /** Writes the scene whole, one writing at a time; what changes meanwhile is written by the next. */
  async fold(): Promise<void> {
    clearTimeout(this.#later);
    this.#later = undefined;
    await this.#folding;
    if (this.#folded === this.#made || this.#isOvertaken) return;
    const { committed } = this.#doc.state;
    if (problemsOf(committed).length > 0) return this.look();
    await (this.#folding ??= this.#fold(committed, this.#made));
  }

  async #fold(scene: Scene, count: number): Promise<void> {
    try {
      await this.#keeping.fold(scene, count);
      this.#folded = count;
      this.#isBroken = false;
      this.#failure = undefined;
      this.#reach(count);
      if (!this.isPending) this.#keeping.report({ kind: 'kept', at: this.#keptAt });
    } catch (error) {
      if (error instanceof OvertakenError) this.#overtake();
      else {
        this.#fail(reasonOf(error));
        this.#later ??= setTimeout(() => void this.fold(), RETRY);
      }
    }
    this.#folding = undefined;
    if (this.isPending && !this.hasFailed) this.#look ??= setTimeout(() => this.look(), LOOK);
  }

  part(): boolean {
    return this.#keeping.part(this.#doc.state.committed, this.#made);
  }

  /** Nobody listens any more; what is under way is done. */
  end(): void {
    this.#hasEnded = true;
    clearTimeout(this.#look);
    clearTimeout(this.#later);
  }

  #reach(count: number): void {
    if (count <= this.#kept) return;
    this.#kept = count;
    this.#keptAt = Date.now();
  }

  #break(): void {
    this.#isBroken = true;
    if (!this.hasFailed) this.look();
  }

  #fail(message: string): void {
    this.#failure = message;
    this.#keeping.report({ kind: 'failed', message });
  }

  #overtake(): void {
    if (this.#isOvertaken) return;
    this.#isOvertaken = true;
    if (!this.#hasEnded) this.#keeping.overtaken();
  }
}

/**
 * Keeps the committed scene: each change goes to the journal at once, and the scene is written whole when hands are still. A failure (a full quota) is said and
 * tried again. When the page goes with something that is not kept, that is its parting word; where even that fails, leaving asks first.
 */
export function startAutosave(doc: SceneDocument, count: number, keeping: Keeping): Autosave {
  const keeper = new Keeper(doc, count, keeping);
  const stopWatching = doc.store.subscribe((state, before) => {
    if (state.committed !== before.committed && !state.readOnly) keeper.note(before, state);
  });
  // What the journal has is kept: a page that goes begins no long work, which some browsers would let it hold while it waits to be shown again.
  const onHide = (): void => {
    if (doc.state.readOnly || !keeper.isPending) return;
    keeper.part();
    void keeper.fold();
  };
  const onLeave = (event: Event): void => {
    if (keeper.isPending && !doc.state.readOnly && keeper.hasFailed && !keeper.part()) event.preventDefault();
  };
  document.addEventListener('visibilitychange', onHide);
  window.addEventListener('pagehide', onHide);
  window.addEventListener('beforeunload', onLeave);
  const stop = (): void => {
    stopWatching();
    document.removeEventListener('visibilitychange', onHide);
    window.removeEventListener('pagehide', onHide);
    window.removeEventListener('beforeunload', onLeave);
    if (!doc.state.readOnly) {
      if (keeper.isPending) keeper.part();
      void keeper.fold();
    }
    keeper.end();
  };
  return { flush: () => keeper.fold(), stop };
}
