import { Loader } from '@mantine/core';
import { useEffect, useState, type ReactNode } from 'react';
import { Link, useParams } from 'react-router';
import { wordingOf, type Scene } from '@pace-line/core';
import {
  DocumentContext,
  hasThumbnail,
  keepScene,
  keepThumbnail,
  loadStored,
  lockScene,
  SceneDocument,
  startAutosave,
  type SaveState,
  type SceneLock,
  type Stored,
} from '../document/index.ts';
import { tell, warn } from '../look/notices.tsx';
import { saveFile } from '../platform/files.ts';
import { writeOutput } from '../workers/index.ts';

type Opened = Stored | { readonly state: 'loading' };

/** Opens the scene of the address, holds it for this tab, keeps it; the Desk and Send are shown inside. */
export function SceneRoute({ children }: { children: (id: string, save: SaveState) => ReactNode }) {
  const { id = '' } = useParams();
  const [opened, setOpened] = useState<Opened>({ state: 'loading' });
  const [doc, setDoc] = useState<SceneDocument | null>(null);
  const [save, setSave] = useState<SaveState>({ kind: 'kept', at: Date.now() });
  const [held, setHeld] = useState(true);
  const [steal, setSteal] = useState(0);

  useEffect(() => {
    let current = true;
    void loadStored(id).then((stored) => {
      if (!current) return;
      setOpened(stored);
      setDoc(stored.state === 'ok' ? new SceneDocument(stored.scene) : null);
      if (stored.state === 'ok') document.title = `${stored.scene.name} · Pace Line`;
    });
    return () => {
      current = false;
    };
  }, [id, steal]);

  useEffect(() => {
    if (!doc) return;
    let lock: SceneLock | undefined;
    let gone = false;
    const lose = (): void => {
      setHeld(false);
      doc.setReadOnly(true);
      tell('Another tab has taken this scene over; here it can only be looked at.');
    };
    void lockScene(id, steal > 0, lose).then((got) => {
      lock = got;
      if (gone) got.release();
      setHeld(got.held);
      doc.setReadOnly(!got.held);
    });
    const stop = startAutosave(
      doc,
      (scene) => keepScene(id, scene),
      (state) => {
        setSave(state);
        if (state.kind === 'failed')
          warn(
            'The scene is not kept',
            `This browser did not store it (${state.message}). It will be tried again; save it as a file to be safe.`,
          );
      },
    );
    const stopThumbnails = keepThumbnails(id, doc);
    return () => {
      gone = true;
      stop();
      stopThumbnails();
      lock?.release();
    };
  }, [doc, id, steal]);

  if (opened.state === 'loading')
    return (
      <main className="message-page">
        <Loader aria-label="Opening the scene" />
      </main>
    );
  if (opened.state === 'missing')
    return (
      <main className="message-page">
        <h1>This scene is not in this browser</h1>
        <p>It may have been deleted, or kept in another browser.</p>
        <Link to="/">To the Shelf</Link>
      </main>
    );
  if (opened.state === 'broken')
    return (
      <main className="message-page">
        <h1>This scene cannot be opened</h1>
        <p>What is stored does not pass the checks. It is still there, and can be saved as it is.</p>
        <ul>
          {opened.problems.slice(0, 5).map((problem) => (
            <li key={problem.path + problem.message}>{wordingOf(problem)}</li>
          ))}
        </ul>
        <button
          type="button"
          className="bar-button"
          onClick={() => saveFile('scene.raw.json', 'application/json', opened.raw)}
        >
          Save as it is
        </button>
        <Link to="/">To the Shelf</Link>
      </main>
    );
  if (!doc) return null;
  return (
    <DocumentContext value={doc}>
      {!held && (
        <div className="lock-banner" role="status">
          This scene is open in another tab; here it can only be looked at.
          <button type="button" className="small-button" onClick={() => setSteal((n) => n + 1)}>
            Take over
          </button>
        </div>
      )}
      {children(id, save)}
    </DocumentContext>
  );
}

/** ms. Long enough that the picture is not drawn between two changes of one train of thought. */
const THUMBNAIL_DELAY = 4000;

/** Draws the Shelf's picture of the scene some time after each change, off the main thread. */
function keepThumbnails(id: string, doc: SceneDocument): () => void {
  let timer: ReturnType<typeof setTimeout> | undefined;
  let drawn: Scene | undefined = doc.state.committed;
  const draw = (): void => {
    timer = undefined;
    const scene = doc.state.committed;
    if (doc.state.readOnly || scene === drawn) return;
    drawn = scene;
    void writeOutput(scene, 'animated-svg', {}, () => undefined)
      .result.then(({ files }) => keepThumbnail(id, files[0]?.text ?? ''))
      .catch(() => undefined);
  };
  const schedule = (): void => {
    timer ??= setTimeout(draw, THUMBNAIL_DELAY);
  };
  void hasThumbnail(id).then((has) => {
    if (has) return;
    drawn = undefined;
    schedule();
  });
  const stop = doc.store.subscribe((state, before) => {
    if (state.committed !== before.committed) schedule();
  });
  return () => {
    stop();
    clearTimeout(timer);
    draw();
  };
}
