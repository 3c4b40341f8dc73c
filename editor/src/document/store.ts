import { createStore, type StoreApi } from 'zustand/vanilla';
import { problemsOf, SceneError, type Refusal, type Scene, type SceneProblem } from '@pace-line/core';
import { pruned } from './parts.ts';
import { NOTHING, type Selection } from './selection.ts';

/** One step of undo: what it was called, and how the document was before it. */
interface Entry {
  readonly label: string;
  readonly scene: Scene;
  readonly selection: Selection;
}

export interface DocumentState {
  /** What undo, autosave and checks see. */
  readonly committed: Scene;
  /** What is drawn: during a gesture, ahead of `committed`. */
  readonly shown: Scene;
  readonly selection: Selection;
  readonly past: readonly Entry[];
  readonly future: readonly Entry[];
  readonly readOnly: boolean;
}

/** A change that is still being made: each update starts again from the scene at its start. */
export interface Gesture {
  /** Shows `change(scene at the start)`, at most once a frame. */
  update: (change: (scene: Scene) => Scene) => void;
  commit: (selection?: Selection) => void;
  cancel: () => void;
  /** Whether it still shows what it is told; anything else that changes the scene, or shows another, ends it. */
  isOpen: () => boolean;
}

const MOST_STEPS = 300;

/** ms. Changes of one run that follow each other this fast are one step of undo. */
const RUN_PAUSE = 700;

/** Changes that belong together, as by a held arrow key. */
interface ChangeRun {
  readonly key: string;
  /** The step of undo that they are, once there is one, and when it last grew, ms. */
  readonly entry: Entry | undefined;
  readonly at: number;
}

type NextFrame = (callback: () => void) => void;

/** The open scene: the only thing that changes it. */
export class SceneDocument {
  readonly store: StoreApi<DocumentState>;
  /**
   * The same without what a hand is making: that is painted, and rendered when it lets go, or once there are other guides and riders than before. What is
   * tried out in a card is in it.
   */
  readonly settled: StoreApi<DocumentState>;
  #gesture: Gesture | undefined;
  #isTrial = false;
  /** The run that is being added to, and the last one that was. */
  #joining: string | undefined;
  #run: ChangeRun | undefined;
  /** What is being made outside of the document, and can take its last step back. */
  readonly #drafts = new Set<() => boolean>();
  /** Called where a change is tried while the document is only read. */
  whenRefused: (() => void) | undefined;
  /** Called where a change is not made, as the scene could not be opened again after it. */
  whenUnsound: ((problem: SceneProblem, scene: Scene) => void) | undefined;
  /** Called where a command gives a reason against itself only when it is carried out. */
  whenRefusal: ((refusal: Refusal) => void) | undefined;
  readonly #nextFrame: NextFrame;
  /** Steps that were read from what is kept: they are looked at before they are taken. */
  readonly #restored: ReadonlySet<Entry>;

  /** `rows`: the steps of undo that were kept with the scene. */
  constructor(
    scene: Scene,
    nextFrame: NextFrame = (callback) => void requestAnimationFrame(callback),
    rows: { readonly past: readonly Entry[]; readonly future: readonly Entry[] } = { past: [], future: [] },
  ) {
    this.#nextFrame = nextFrame;
    this.#restored = new Set([...rows.past, ...rows.future]);
    this.store = createStore<DocumentState>(() => ({
      committed: scene,
      shown: scene,
      selection: NOTHING,
      past: rows.past,
      future: rows.future,
      readOnly: false,
    }));
    this.settled = createStore<DocumentState>(() => this.state);
    this.store.subscribe((state) => {
      const last = this.settled.getState();
      const isHeld = this.#gesture !== undefined && !this.#isTrial;
      const stands = [state.committed, last.shown].find((scene) => hasSameParts(scene, state.shown));
      const next = isHeld ? { ...state, shown: stands ?? state.shown } : state;
      if (!isSameState(next, last)) this.settled.setState(next, true);
    });
  }

  get state(): DocumentState {
    return this.store.getState();
  }

  /** Makes one change as one step of undo. Nothing happens where the change gives back the same scene or the document is read-only. */
  do(label: string, change: (scene: Scene) => Scene, selection?: Selection): void {
    if (this.refuses()) return;
    this.#gesture?.commit();
    const scene = this.#tried(change, this.state.committed) ?? this.state.committed;
    if (scene !== this.state.committed) this.#commit(label, scene, selection ?? this.state.selection);
    else if (selection) this.select(selection);
  }

  /** What `work` changes is one step of undo with what the same run changed just before it: a held key, or one tapped several times. */
  inRun(key: string, work: () => void): void {
    this.#joining = key;
    try {
      work();
    } finally {
      this.#joining = undefined;
    }
  }

  /** Begins a gesture; one that is still open is committed first. */
  begin(label: string): Gesture {
    return this.#begin(label);
  }

  /** Begins a gesture by something that is rendered, as a slider of a card: what it shows is rendered too. */
  tryOut(label: string): Gesture {
    const gesture = this.#begin(label);
    this.#isTrial = true;
    return gesture;
  }

  /** Begins a gesture just to look: what it shows is never kept, however it ends. */
  glance(): Gesture {
    return this.#begin(null);
  }

  /** `label`: of the step of undo; null: there is none. */
  #begin(label: string | null): Gesture {
    this.refuses();
    this.#gesture?.commit();
    const base = this.state.committed;
    let latest: ((scene: Scene) => Scene) | undefined;
    let scheduled = false;
    let open = true;
    const show = (): void => {
      scheduled = false;
      if (!open || !latest || this.state.readOnly) return;
      const shown = this.#tried(latest, base) ?? this.state.shown;
      latest = undefined;
      if (shown !== this.state.shown) this.store.setState({ shown });
    };
    const gesture: Gesture = {
      update: (change) => {
        latest = change;
        if (!scheduled) this.#nextFrame(show);
        scheduled = true;
      },
      commit: (selection) => {
        if (!open) return;
        if (label === null) return gesture.cancel();
        show();
        open = false;
        this.#gesture = undefined;
        const { shown } = this.state;
        if (shown !== base) this.#commit(label, shown, selection ?? this.state.selection);
        else if (selection) this.select(selection);
      },
      cancel: () => {
        if (!open) return;
        open = false;
        this.#gesture = undefined;
        this.store.setState({ shown: base });
      },
      isOpen: () => open,
    };
    this.#gesture = gesture;
    this.#isTrial = false;
    return gesture;
  }

  select(selection: Selection): void {
    this.store.setState({ selection });
  }

  /** Whether nothing may be changed here; who tries is told. */
  refuses(): boolean {
    if (this.state.readOnly) this.whenRefused?.();
    return this.state.readOnly;
  }

  /** Something that is being made outside of the document is asked first at each undo: true where it took its last step back. Gives what ends that. */
  onUndo(back: () => boolean): () => void {
    this.#drafts.add(back);
    return () => this.#drafts.delete(back);
  }

  /** Takes back the gesture that is under way, or a step of what is being made, or the last change. */
  undo(): void {
    if (this.#gesture) return this.#gesture.cancel();
    for (const back of this.#drafts) if (back()) return;
    const entry = this.state.past.at(-1);
    if (entry) this.#travel(entry, this.state.past.slice(0, -1), [...this.state.future, this.#now(entry.label)]);
  }

  redo(): void {
    this.#gesture?.cancel();
    const entry = this.state.future.at(-1);
    if (entry) this.#travel(entry, [...this.state.past, this.#now(entry.label)], this.state.future.slice(0, -1));
  }

  setReadOnly(readOnly: boolean): void {
    if (readOnly) this.#gesture?.cancel();
    this.store.setState({ readOnly });
  }

  /** Puts another scene in place, as when it was changed elsewhere; undo is forgotten. */
  replace(scene: Scene): void {
    this.#gesture?.cancel();
    this.store.setState({
      committed: scene,
      shown: scene,
      past: [],
      future: [],
      selection: pruned(scene, this.state.selection),
    });
  }

  #now(label: string): Entry {
    return { label, scene: this.state.committed, selection: this.state.selection };
  }

  #commit(label: string, scene: Scene, selection: Selection): void {
    if (this.#isUnsound(scene)) return this.store.setState({ shown: this.state.committed });
    const past = this.#continuesRun() ? this.state.past : [...this.state.past, this.#now(label)].slice(-MOST_STEPS);
    this.#run =
      this.#joining === undefined ? undefined : { key: this.#joining, entry: past.at(-1), at: performance.now() };
    this.store.setState({ committed: scene, shown: scene, past, future: [], selection: pruned(scene, selection) });
  }

  /** A scene after a change; undefined, and told of, where the change shows only when it is made that it cannot be. */
  #tried(change: (scene: Scene) => Scene, scene: Scene): Scene | undefined {
    try {
      return change(scene);
    } catch (error) {
      if (!(error instanceof SceneError) || !this.whenRefusal) throw error;
      this.whenRefusal(error.refusal);
      return undefined;
    }
  }

  /** Whether a change would make of a sound scene one that could not be opened again: a number beyond what the file holds, whatever made it. */
  #isUnsound(scene: Scene): boolean {
    const [problem] = problemsOf(scene, false);
    if (!problem || problemsOf(this.state.committed, false).length > 0) return false;
    this.whenUnsound?.(problem, scene);
    return true;
  }

  /** Whether a change joins the step before it: nothing else came between. */
  #continuesRun(): boolean {
    const run = this.#run;
    return (
      run !== undefined &&
      run.key === this.#joining &&
      run.entry === this.state.past.at(-1) &&
      this.state.future.length === 0 &&
      performance.now() - run.at < RUN_PAUSE
    );
  }

  #travel(entry: Entry, past: readonly Entry[], future: readonly Entry[]): void {
    if (this.refuses()) return;
    const [problem] = this.#restored.has(entry) ? problemsOf(entry.scene, false) : [];
    if (problem) return this.whenUnsound?.(problem, entry.scene);
    this.store.setState({
      committed: entry.scene,
      shown: entry.scene,
      selection: pruned(entry.scene, entry.selection),
      past,
      future,
    });
  }
}

const isSameState = (a: DocumentState, b: DocumentState): boolean =>
  a.shown === b.shown &&
  a.committed === b.committed &&
  a.selection === b.selection &&
  a.past === b.past &&
  a.future === b.future &&
  a.readOnly === b.readOnly;

/** Whether two scenes have the same guides, and the same riders on them. */
const hasSameParts = (a: Scene, b: Scene): boolean =>
  (a.guides === b.guides ||
    (a.guides.length === b.guides.length && a.guides.every(({ id }, i) => id === b.guides[i]?.id))) &&
  (a.riders === b.riders ||
    (a.riders.length === b.riders.length &&
      a.riders.every(({ id, guide }, i) => id === b.riders[i]?.id && guide === b.riders[i]?.guide)));
