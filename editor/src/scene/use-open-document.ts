import { useEffect, useState } from 'react';
import { askHandover, SceneDocument, type SaveState, type Stored } from '../document/index.ts';
import { FrameLoop } from '../frame/frame-loop.ts';
import { Lateness } from '../frame/lateness.ts';
import { openForWriting } from './open-for-writing.ts';
import { Playback } from '../frame/playback.ts';
import { useKeeping, type OpenDocument } from './use-keeping.ts';

/** There layers can be what takes the time of a frame: where they are put together without a graphics card. */
const IS_WEBKIT = navigator.vendor.startsWith('Apple');

export type Opened = Stored | { readonly state: 'loading' };

interface OpenState {
  readonly opened: Opened;
  /** Null until the scene is read. */
  readonly open: OpenDocument | null;
  readonly save: SaveState;
  /** This tab may change the scene. */
  readonly held: boolean;
  readonly takeOver: () => void;
}

/** Reads the scene of an id, holds it for this tab, and keeps it: one document for as long as its address is shown, whichever view of it. */
export function useOpenDocument(id: string): OpenState {
  const [opened, setOpened] = useState<Opened>({ state: 'loading' });
  const [open, setOpen] = useState<OpenDocument | null>(null);
  const [held, setHeld] = useState(true);
  const [steal, setSteal] = useState(0);
  useEffect(() => {
    let doc: SceneDocument | undefined;
    let release: (() => void) | undefined;
    let isGone = false;
    const lose = (): void => {
      setHeld(false);
      doc?.setReadOnly(true);
    };
    void openForWriting(id, steal > 0, lose).then((scene) => {
      if (isGone) return scene.release();
      release = scene.release;
      setOpened(scene.stored);
      setHeld(scene.held);
      if (scene.stored.state !== 'ok') return setOpen(null);
      const loop = new FrameLoop({ lateness: new Lateness(IS_WEBKIT) });
      const made = new SceneDocument(scene.stored.scene, (callback) => loop.change(callback), scene.undo);
      made.setReadOnly(!scene.held);
      doc = made;
      setOpen({ ...scene, doc: made, playback: new Playback(loop, () => made.state.shown) });
    });
    return () => {
      isGone = true;
      release?.();
    };
  }, [id, steal]);
  const save = useKeeping(open);
  return { opened, open, save, held, takeOver: () => void askHandover(id).then(() => setSteal((n) => n + 1)) };
}
