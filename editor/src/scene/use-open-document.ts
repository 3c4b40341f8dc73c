import { useEffect, useState } from 'react';
import {
  answerHandover,
  askHandover,
  keepScene,
  loadStored,
  lockScene,
  SceneDocument,
  startAutosave,
  writeJournal,
  type SaveState,
  type SceneLock,
  type Stored,
} from '../document/index.ts';
import { tell, warn } from '../look/notices.tsx';
import { FrameLoop } from './frame-loop.ts';
import { Playback } from './playback.ts';
import { keepThumbnails } from './thumbnails.ts';

export type Opened = Stored | { readonly state: 'loading' };

interface OpenDocument {
  readonly opened: Opened;
  /** Null until the scene is read. */
  readonly open: { readonly doc: SceneDocument; readonly playback: Playback } | null;
  readonly save: SaveState;
  /** This tab may change the scene. */
  readonly held: boolean;
  readonly takeOver: () => void;
}

/** Reads the scene of an id, holds it for this tab, and keeps it: one document for as long as its address is shown, whichever view of it. */
export function useOpenDocument(id: string): OpenDocument {
  const [opened, setOpened] = useState<Opened>({ state: 'loading' });
  const [open, setOpen] = useState<OpenDocument['open']>(null);
  const [steal, setSteal] = useState(0);
  useEffect(() => {
    let current = true;
    void loadStored(id).then((stored) => {
      if (!current) return;
      setOpened(stored);
      if (stored.state !== 'ok') return setOpen(null);
      const loop = new FrameLoop();
      const doc = new SceneDocument(stored.scene, (callback) => loop.change(callback));
      setOpen({ doc, playback: new Playback(loop, () => doc.state.shown) });
    });
    return () => {
      current = false;
    };
  }, [id, steal]);
  const doc = open?.doc ?? null;
  const held = useLock(id, doc, steal);
  const save = useKeeping(id, doc);
  return { opened, open, save, held, takeOver: () => void askHandover(id).then(() => setSteal((n) => n + 1)) };
}

/** Holds the scene for this tab, or lets it be read only. */
function useLock(id: string, doc: SceneDocument | null, steal: number): boolean {
  const [held, setHeld] = useState(true);
  useEffect(() => {
    if (!doc) return;
    let lock: SceneLock | undefined;
    let gone = false;
    doc.whenRefused = () => tell('This scene is open in another tab; here it can only be looked at.');
    const lose = (): void => {
      setHeld(false);
      doc.setReadOnly(true);
      tell('Another tab has taken this scene over; here it can only be looked at.');
    };
    void lockScene(id, steal > 0, lose).then((got) => {
      lock = got;
      if (gone) return got.release();
      setHeld(got.held);
      doc.setReadOnly(!got.held);
    });
    return () => {
      gone = true;
      lock?.release();
    };
  }, [doc, id, steal]);
  return held;
}

/** Keeps the scene and its picture; what is not kept when the page goes is written to the journal at once. */
function useKeeping(id: string, doc: SceneDocument | null): SaveState {
  const [save, setSave] = useState<SaveState>({ kind: 'kept', at: Date.now() });
  useEffect(() => {
    if (!doc) return;
    const { flush, stop } = startAutosave(doc, {
      keep: (scene) => keepScene(id, scene),
      journal: (scene) => writeJournal(id, scene),
      report: (state) => {
        setSave(state);
        if (state.kind === 'failed')
          warn(
            'The scene is not kept',
            `This browser did not store it (${state.message}). It will be tried again; save it as a file to be safe.`,
          );
      },
    });
    const stopThumbnails = keepThumbnails(id, doc);
    // From here on this tab changes nothing more: what it has is what the other will read.
    const stopAnswering = answerHandover(id, () => {
      if (doc.state.readOnly) return undefined;
      doc.setReadOnly(true);
      return flush();
    });
    return () => {
      stopAnswering();
      stop();
      stopThumbnails();
    };
  }, [doc, id]);
  return save;
}
