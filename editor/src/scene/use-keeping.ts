import { useEffect, useState } from 'react';
import {
  answerHandover,
  foldScene,
  holdsScene,
  keepEdit,
  startAutosave,
  writeParting,
  type SaveState,
  type SceneDocument,
} from '../document/index.ts';
import { tell, warn } from '../look/notices.tsx';
import { wordsOfUnsound } from '../words/problems.ts';
import { wordsOfRefusal } from '../words/refusals.ts';
import { askToPersist } from '../platform/persist.ts';
import type { OpenedScene } from './open-for-writing.ts';
import type { Playback } from '../frame/playback.ts';
import { keepThumbnails } from './thumbnails.ts';

/** A scene that was read, with what plays it. */
export interface OpenDocument extends OpenedScene {
  readonly doc: SceneDocument;
  readonly playback: Playback;
}

/** Keeps the open scene and its picture, and hands it over to a tab that asks. */
export function useKeeping(open: OpenDocument | null): SaveState {
  const [save, setSave] = useState<SaveState>({ kind: 'kept', at: Date.now() });
  useEffect(() => {
    if (open?.stored.state !== 'ok') return;
    const { doc, writer, stored } = open;
    doc.whenRefused = () => tell('This scene is open in another tab; here it can only be looked at.');
    doc.whenRefusal = (refusal) => tell(wordsOfRefusal(refusal));
    doc.whenUnsound = (problem, scene) => tell(wordsOfUnsound(problem, scene));
    let said: string | undefined;
    const { flush, stop } = startAutosave(doc, stored.count, {
      append: (count, before, after, undo) => keepEdit(writer, count, before, after, undo),
      fold: (scene, count) => foldScene(writer, scene, count),
      holds: () => holdsScene(writer),
      part: (scene, count) => writeParting(writer.id, writer.name, scene, count),
      overtaken: () => {
        doc.setReadOnly(true);
        warn(
          'The scene was changed in another tab',
          'What you see here is older and is no longer saved. Reopen the scene, or save this state as a file.',
        );
      },
      report: (state) => {
        setSave(state);
        if (state.kind === 'waiting') void askToPersist();
        const message = state.kind === 'failed' ? state.message : undefined;
        if (message !== undefined && message !== said)
          warn(
            'The scene is not saved',
            `This browser did not store it (${message}). It will be tried again; save it as a file to be safe.`,
          );
        said = message;
      },
    });
    const stopThumbnails = keepThumbnails(writer.id, doc);
    // From here on this tab changes nothing more: what it has is what the other will read.
    const stopAnswering = answerHandover(writer.id, () => {
      if (doc.state.readOnly) return undefined;
      doc.setReadOnly(true);
      return flush();
    });
    return () => {
      stopAnswering();
      stop();
      stopThumbnails();
    };
  }, [open]);
  return save;
}
