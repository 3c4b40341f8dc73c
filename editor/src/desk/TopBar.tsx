import { Tooltip } from '@mantine/core';
import { IconArrowBackUp, IconArrowForwardUp } from '@tabler/icons-react';
import { useEffect, useState } from 'react';
import { Link, useNavigate } from 'react-router';
import { renameScene, writeScene, fileStem } from '@pace-line/core';
import { useDocumentState, type SaveState } from '../document/index.ts';
import { TextField } from '../fields/index.ts';
import { Wordmark } from '../look/Wordmark.tsx';
import { saveFile } from '../platform/files.ts';
import { useOpenScene } from '../scene/context.ts';
import { useDesk } from './context.ts';
import { sceneOf } from './desk.ts';
import { useDeskView, type Drawer } from './view.ts';
import { change } from './actions/change.ts';

/** The Desk's upper edge: the scene's name and state, undo and redo, drawers, Send. */
export function TopBar() {
  const { id, save } = useOpenScene();
  const desk = useDesk();
  const navigate = useNavigate();
  const name = useDocumentState((state) => state.shown.name);
  const undo = useDocumentState((state) => state.past.at(-1)?.label);
  const redo = useDocumentState((state) => state.future.at(-1)?.label);
  const drawer = useDeskView((state) => state.drawer);
  const set = useDeskView((state) => state.set);
  const toggle = (which: Drawer): void => set({ drawer: drawer === which ? null : which });
  return (
    <header className="top-bar">
      <Link to="/" className="home-link" aria-label="To the Shelf">
        <Wordmark small />
      </Link>
      <div className="scene-name">
        <TextField
          label="Scene name"
          value={name}
          onCommit={(next) => change(desk, 'Rename scene', (scene) => renameScene(scene, { name: next }))}
        />
      </div>
      <SaveLine save={save} />
      <span className="spacer" />
      <Tooltip label={undo ? `Undo: ${undo} (Ctrl Z)` : 'Nothing to undo'}>
        <button
          type="button"
          className="plain-button"
          disabled={!undo}
          onClick={() => desk.doc.undo()}
          aria-label={undo ? `Undo: ${undo}` : 'Undo'}
        >
          <IconArrowBackUp size={17} aria-hidden /> Undo
        </button>
      </Tooltip>
      <Tooltip label={redo ? `Redo: ${redo} (Ctrl Shift Z)` : 'Nothing to redo'}>
        <button
          type="button"
          className="plain-button"
          disabled={!redo}
          onClick={() => desk.doc.redo()}
          aria-label={redo ? `Redo: ${redo}` : 'Redo'}
        >
          <IconArrowForwardUp size={17} aria-hidden /> Redo
        </button>
      </Tooltip>
      <span className="bar-rule" />
      <button
        type="button"
        className="bar-button"
        aria-pressed={drawer === 'contents'}
        onClick={() => toggle('contents')}
      >
        Contents
      </button>
      <button type="button" className="bar-button" aria-pressed={drawer === 'art'} onClick={() => toggle('art')}>
        Art
      </button>
      <button
        type="button"
        className="bar-button"
        aria-pressed={drawer === 'collection'}
        onClick={() => toggle('collection')}
      >
        Collection
      </button>
      <button
        type="button"
        className="bar-button"
        onClick={() => saveFile(`${fileStem(name)}.paceline.json`, 'application/json', writeScene(sceneOf(desk)))}
      >
        Save file
      </button>
      <button type="button" className="bar-button strong" onClick={() => void navigate(`/scene/${id}/send`)}>
        Send
      </button>
    </header>
  );
}

function SaveLine({ save }: { save: SaveState }) {
  const readOnly = useDocumentState((state) => state.readOnly);
  const [now, setNow] = useState(() => Date.now());
  useEffect(() => {
    const timer = setInterval(() => setNow(Date.now()), 5000);
    return () => clearInterval(timer);
  }, []);
  let text = 'keeping…';
  if (readOnly) text = 'for reading only';
  else if (save.kind === 'failed') text = 'not kept!';
  else if (save.kind === 'kept') text = `kept ${ago(Math.max(0, now - save.at))}`;
  return (
    <span className={`save-line ${save.kind === 'failed' ? 'bad' : 'muted'}`} role="status">
      {text}
    </span>
  );
}

function ago(ms: number): string {
  const s = Math.round(ms / 1000);
  if (s < 10) return 'just now';
  if (s < 60) return `${Math.round(s / 10) * 10} s ago`;
  return s < 3600 ? `${Math.round(s / 60)} min ago` : 'in this browser';
}
