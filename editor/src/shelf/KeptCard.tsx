import { Menu } from '@mantine/core';
import { IconDots } from '@tabler/icons-react';
import { useIntersection } from '@mantine/hooks';
import { useRef, useState } from 'react';
import { Link, useNavigate } from 'react-router';
import { fileStem, renameScene, writeScene } from '@pace-line/core';
import useSWR from 'swr';
import { foldScene, loadStored, removeStored, storedText, thumbnailOf, type SceneCard } from '../document/index.ts';
import { TextField } from '../fields/index.ts';
import { offerUndo, tell } from '../look/notices.tsx';
import { openForWriting } from '../scene/open-for-writing.ts';
import { saveFile } from '../platform/files.ts';
import { svgUrl } from '../look/svg-url.ts';
import { useTurn } from './turns.ts';

interface KeptCardProps {
  readonly card: SceneCard;
}

/** A scene kept in this browser: opened by its picture or its name, renamed, saved, deleted. */
export function KeptCard({ card }: KeptCardProps) {
  const navigate = useNavigate();
  const [renaming, setRenaming] = useState(false);
  const face = useRef<HTMLButtonElement>(null);
  return (
    <li className="scene-card">
      <button
        ref={face}
        type="button"
        className="scene-face"
        onClick={() => void navigate(`/scene/${card.id}`)}
        aria-label={`Open ${card.name}`}
      >
        <Picture id={card.id} />
      </button>
      <div className="scene-line">
        {renaming ? (
          <NameInput
            card={card}
            onDone={(byKey) => {
              setRenaming(false);
              if (byKey) face.current?.focus();
            }}
          />
        ) : (
          <span className="scene-title">{card.name}</span>
        )}
        <span className="muted">{whenOf(card.changed)}</span>
        <CardMenu card={card} renaming={renaming} onRename={() => setRenaming(true)} />
      </div>
    </li>
  );
}

/** px. Pictures are read a little before they come into view. */
const AHEAD = '300px';

/** A scene's picture, where it is in view. */
function Picture({ id }: { id: string }) {
  const { ref, entry } = useIntersection<HTMLSpanElement>({ rootMargin: AHEAD });
  return (
    <span ref={ref} className="picture-frame">
      {entry?.isIntersecting && <PictureInView id={id} />}
    </span>
  );
}

/** A scene's picture, in its turn. */
function PictureInView({ id }: { id: string }) {
  const { data: svg } = useSWR(['picture', id], () => thumbnailOf(id), { revalidateOnFocus: false });
  const turn = useTurn(svg ?? '');
  if (!svg) return <span className="picture-wait">{svg === '' && 'no picture yet'}</span>;
  if (turn === 'heavy') return <span className="picture-wait">its picture is too heavy to show here</span>;
  return turn === 'shown' ? <img alt="" loading="lazy" src={svgUrl(svg)} /> : <span className="picture-wait" />;
}

/** A card that cannot be drawn does not take the Shelf with it. */
export function BrokenCard({ id, name }: { id: string; name: string }) {
  return (
    <li className="scene-card">
      <Link className="scene-face picture-wait" to={`/scene/${id}`}>
        no picture can be drawn
      </Link>
      <div className="scene-line">
        <span className="scene-title">{name}</span>
      </div>
    </li>
  );
}

async function rename(card: SceneCard, name: string): Promise<void> {
  if (!name.trim() || name.trim() === card.name) return;
  const { stored, writer, held, release } = await openForWriting(card.id, false, () => undefined);
  if (!held) tell(`“${card.name}” is open in another tab: rename it there.`);
  else if (stored.state === 'ok') await foldScene(writer, renameScene(stored.scene, { name }), stored.count + 1);
  release();
}

async function save(card: SceneCard): Promise<void> {
  const stored = await loadStored(card.id);
  if (stored.state === 'ok')
    return saveFile(`${fileStem(card.name)}.paceline.json`, 'application/json', writeScene(stored.scene));
  const raw = await storedText(card.id);
  if (raw) saveFile(`${fileStem(card.name)}.raw.json`, 'application/json', raw.text);
}

async function remove(card: SceneCard): Promise<void> {
  const restore = await removeStored(card.id);
  offerUndo(`“${card.name}” was deleted`, restore);
}

function NameInput({ card, onDone }: KeptCardProps & { onDone: (byKey: boolean) => void }) {
  return (
    <span className="rename">
      <TextField
        label={`New name of ${card.name}`}
        value={card.name}
        autoFocus
        onCommit={(name) => void rename(card, name)}
        onDone={onDone}
      />
    </span>
  );
}

interface CardMenuProps extends KeptCardProps {
  readonly renaming: boolean;
  readonly onRename: () => void;
}

function CardMenu({ card, renaming, onRename }: CardMenuProps) {
  return (
    <Menu position="bottom-end" returnFocus={!renaming}>
      <Menu.Target>
        <button type="button" className="plain-button" aria-label={`More for ${card.name}`}>
          <IconDots size={16} aria-hidden />
        </button>
      </Menu.Target>
      <Menu.Dropdown>
        <Menu.Item onClick={onRename}>Rename</Menu.Item>
        <Menu.Item onClick={() => void save(card)}>Save as a file</Menu.Item>
        <Menu.Item className="takes-away" onClick={() => void remove(card)}>
          Delete
        </Menu.Item>
      </Menu.Dropdown>
    </Menu>
  );
}

/** When a scene was changed; a time that has not been yet, or is none, is not known. */
export function whenOf(changed: number | null): string {
  if (changed === null) return 'date unknown';
  const minutes = Math.round((Date.now() - changed) / 60_000);
  if (minutes < 1) return 'just now';
  if (minutes < 60) return `${minutes} min ago`;
  if (minutes < 24 * 60) return `${Math.round(minutes / 60)} h ago`;
  return new Date(changed).toLocaleDateString('en-GB', { day: 'numeric', month: 'short' });
}
