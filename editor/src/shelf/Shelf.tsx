import { Menu } from '@mantine/core';
import { IconDots, IconFolderOpen, IconHelp, IconPlus } from '@tabler/icons-react';
import { useEffect, useState } from 'react';
import { Link, useNavigate } from 'react-router';
import useSWR from 'swr';
import { fileStem, loopLength, renameScene, writeScene } from '@pace-line/core';
import {
  collectAssets,
  keepScene,
  listCards,
  loadStored,
  onShelfChange,
  removeStored,
  type SceneCard,
} from '../document/index.ts';
import { MovingPicture } from '../look/MovingPicture.tsx';
import { SchemeSwitch } from '../look/SchemeSwitch.tsx';
import { offerUndo, warn } from '../look/notices.tsx';
import { Wordmark } from '../look/Wordmark.tsx';
import { isSceneFile, pickFiles, saveFile } from '../platform/files.ts';
import { openSceneFile, startNew } from './open-scene.ts';
import { loadSamples, openSample, type Sample } from './samples.ts';
import './shelf.css';

/** The scenes kept in this browser, the samples, open a file, start new. */
export function Shelf() {
  const navigate = useNavigate();
  const { data: cards, mutate } = useSWR('shelf', listCards);
  const { data: samples, error } = useSWR<Sample[], Error>('samples', loadSamples, { revalidateOnFocus: false });
  useEffect(() => onShelfChange(() => void mutate()), [mutate]);
  // Undo of a deletion is still possible until the Shelf is opened again: only then are pixels that nothing shows collected.
  useEffect(() => void collectAssets(), []);
  useEffect(() => {
    document.title = 'Shelf · Pace Line';
  }, []);
  const go = (id: string | undefined): void => {
    if (id !== undefined) void navigate(`/scene/${id}`);
  };
  const openFiles = async (files: readonly File[]): Promise<void> => {
    let last: string | undefined;
    for (const file of files) {
      if (isSceneFile(file)) last = (await openSceneFile(file)) ?? last;
      else
        warn(
          `${file.name} was not opened`,
          'The Shelf takes Pace Line scenes (.paceline.json). Drawings are brought in on the Desk.',
        );
    }
    go(last);
  };
  useDroppedFiles((files) => void openFiles(files));
  return (
    <main className="shelf">
      <header className="shelf-head">
        <h1>
          <Wordmark />
        </h1>
        <p className="muted">Draw the way, turn along it, shape the pace, send the loop.</p>
        <span className="spacer" />
        <SchemeSwitch />
        <Link className="bar-button" to="/help">
          <IconHelp size={16} aria-hidden /> How to
        </Link>
        <button
          type="button"
          className="bar-button"
          onClick={() => void pickFiles('.json,.paceline.json,application/json').then(openFiles)}
        >
          <IconFolderOpen size={16} aria-hidden /> Open file…
        </button>
        <button type="button" className="bar-button strong" onClick={() => void startNew().then(go)}>
          <IconPlus size={16} aria-hidden /> New scene
        </button>
      </header>
      <section aria-labelledby="kept">
        <h2 id="kept">Kept in this browser</h2>
        {cards && cards.length === 0 && (
          <p className="shelf-empty">
            Nothing yet. Start a new scene, open one of the samples below to take it apart, or drop a{' '}
            <code>.paceline.json</code> file here.
          </p>
        )}
        <ul className="card-grid">
          {cards?.map((card) => (
            <KeptCard key={card.id} card={card} />
          ))}
        </ul>
      </section>
      <section aria-labelledby="samples">
        <h2 id="samples">Samples from Lantern Quay</h2>
        {error && <p role="alert">The samples cannot be read: {error.message}</p>}
        <ul className="card-grid">
          {samples?.map((sample) => (
            <li key={sample.file} className="scene-card">
              <button
                type="button"
                className="scene-face"
                onClick={() => void openSample(sample).then(go)}
                aria-label={`Open the sample ${sample.scene.name}`}
              >
                <MovingPicture name={sample.file} scene={() => sample.scene} />
              </button>
              <div className="scene-line">
                <span className="scene-title">{sample.scene.name}</span>
                <span className="muted figures">{seconds(loopLength(sample.scene.clock))}</span>
              </div>
            </li>
          ))}
        </ul>
      </section>
    </main>
  );
}

function KeptCard({ card }: { card: SceneCard }) {
  const navigate = useNavigate();
  const [renaming, setRenaming] = useState(false);
  const remove = async (): Promise<void> => {
    const restore = await removeStored(card.id);
    offerUndo(`“${card.name}” was deleted`, restore);
  };
  const rename = async (name: string): Promise<void> => {
    setRenaming(false);
    const stored = await loadStored(card.id);
    if (stored.state === 'ok' && name.trim() && name.trim() !== card.name)
      await keepScene(card.id, renameScene(stored.scene, { name }), null);
  };
  const save = async (): Promise<void> => {
    const stored = await loadStored(card.id);
    if (stored.state === 'ok')
      saveFile(`${fileStem(card.name)}.paceline.json`, 'application/json', writeScene(stored.scene));
    else if (stored.state === 'broken') saveFile(`${fileStem(card.name)}.raw.json`, 'application/json', stored.raw);
  };
  return (
    <li className="scene-card">
      <button
        type="button"
        className="scene-face"
        onClick={() => void navigate(`/scene/${card.id}`)}
        aria-label={`Open ${card.name}`}
      >
        {card.thumbnail ? (
          <img alt="" loading="lazy" src={`data:image/svg+xml,${encodeURIComponent(card.thumbnail)}`} />
        ) : (
          <span className="picture-wait">no picture yet</span>
        )}
      </button>
      <div className="scene-line">
        {renaming ? (
          <input
            className="rename"
            aria-label={`New name of ${card.name}`}
            defaultValue={card.name}
            autoFocus
            onBlur={(event) => void rename(event.currentTarget.value)}
            onKeyDown={(event) => {
              if (event.key === 'Enter') event.currentTarget.blur();
              if (event.key === 'Escape') setRenaming(false);
            }}
          />
        ) : (
          <span className="scene-title">{card.name}</span>
        )}
        <span className="muted">{whenOf(card.changed)}</span>
        <Menu position="bottom-end" returnFocus={!renaming}>
          <Menu.Target>
            <button type="button" className="plain-button" aria-label={`More for ${card.name}`}>
              <IconDots size={16} aria-hidden />
            </button>
          </Menu.Target>
          <Menu.Dropdown>
            <Menu.Item onClick={() => setRenaming(true)}>Rename</Menu.Item>
            <Menu.Item onClick={() => void save()}>Save as a file</Menu.Item>
            <Menu.Item color="red" onClick={() => void remove()}>
              Delete
            </Menu.Item>
          </Menu.Dropdown>
        </Menu>
      </div>
    </li>
  );
}

/** A length in seconds without needless noughts. */
const seconds = (value: number): string => `${Number(value.toFixed(2))} s`;

function whenOf(changed: number): string {
  const minutes = Math.round((Date.now() - changed) / 60_000);
  if (minutes < 1) return 'just now';
  if (minutes < 60) return `${minutes} min ago`;
  if (minutes < 24 * 60) return `${Math.round(minutes / 60)} h ago`;
  return new Date(changed).toLocaleDateString('en-GB', { day: 'numeric', month: 'short' });
}

function useDroppedFiles(onFiles: (files: readonly File[]) => void): void {
  useEffect(() => {
    const over = (event: DragEvent): void => event.preventDefault();
    const drop = (event: DragEvent): void => {
      event.preventDefault();
      onFiles([...(event.dataTransfer?.files ?? [])]);
    };
    window.addEventListener('dragover', over);
    window.addEventListener('drop', drop);
    return () => {
      window.removeEventListener('dragover', over);
      window.removeEventListener('drop', drop);
    };
  });
}
