import { TextInput } from '@mantine/core';
import { IconTrash } from '@tabler/icons-react';
import { useEffect, useState } from 'react';
import { useNavigate } from 'react-router';
import useSWR from 'swr';
import { renameScene } from '@pace-line/core';
import {
  keepVersionOf,
  listVersions,
  onVersionsChange,
  pastTime,
  readVersion,
  removeVersion,
  useDocumentState,
  type VersionCard,
  type VersionReason,
} from '../../document/index.ts';
import { IconAction } from '../../look/IconAction.tsx';
import { offerUndo, tell, warn } from '../../look/notices.tsx';
import { keepNew } from '../../scene/new-scene.ts';
import { reasonOf } from '../../words/reasons.ts';
import { useDesk } from '../context.ts';
import { sceneOf } from '../desk.ts';
import { useDeskView } from '../view.ts';
import { Drawer } from './Drawer.tsx';

const REASONS: Readonly<Record<VersionReason, string>> = {
  time: 'automatic',
  import: 'before an import',
  migration: 'from an earlier Pace Line',
  hand: 'by you',
};

/** Earlier states of the scene: kept from time to time and by hand, seen in motion behind the present one, brought back as a scene of their own. */
export function VersionsDrawer() {
  const { id } = useDesk();
  const { data: versions, mutate } = useSWR(['versions', id], () => listVersions(id));
  useEffect(() => onVersionsChange(() => void mutate()), [mutate]);
  useEffect(() => () => useDeskView.getState().set({ ghost: null }), []);
  return (
    <Drawer title="Versions">
      <KeepNow />
      {versions?.length === 0 && (
        <p className="card-note">
          None yet. While you work one is kept every hour, later every day, and before anything is brought in.
        </p>
      )}
      <ul className="version-list">
        {versions?.map((card) => (
          <VersionRow key={card.key} card={card} />
        ))}
      </ul>
    </Drawer>
  );
}

function KeepNow() {
  const desk = useDesk();
  const readOnly = useDocumentState((state) => state.readOnly);
  const [name, setName] = useState('');
  const keep = async (): Promise<void> => {
    try {
      await keepVersionOf(desk.id, sceneOf(desk), 'hand', name.trim() || null);
      setName('');
    } catch (error) {
      warn('This version was not saved', `This browser did not store it: ${reasonOf(error)}.`);
    }
  };
  return (
    <form
      className="version-keep"
      onSubmit={(event) => {
        event.preventDefault();
        void keep();
      }}
    >
      <TextInput
        size="xs"
        aria-label="Name of this version"
        placeholder="Name, if you like"
        maxLength={200}
        value={name}
        onChange={(event) => setName(event.currentTarget.value)}
      />
      <button type="submit" className="small-button" disabled={readOnly}>
        Save a version
      </button>
    </form>
  );
}

function VersionRow({ card }: { card: VersionCard }) {
  const navigate = useNavigate();
  const isShown = useDeskView((state) => state.ghost?.key === card.key);
  const set = useDeskView((state) => state.set);
  const title = card.name ?? whenOf(card.at);
  const withScene = async (
    work: (scene: NonNullable<Awaited<ReturnType<typeof readVersion>>>) => unknown,
  ): Promise<void> => {
    const scene = await readVersion(card);
    if (scene) await work(scene);
    else tell(`“${title}” can no longer be read.`);
  };
  const compare = (): void => {
    if (isShown) set({ ghost: null });
    else void withScene((scene) => set({ ghost: { key: card.key, scene } }));
  };
  const bringBack = (): Promise<void> =>
    withScene(async (scene) => {
      const id = await keepNew(renameScene(scene, { name: `${scene.name}, ${card.name ?? whenOf(card.at)}` }));
      if (id !== undefined) void navigate(`/scene/${id}`);
    });
  return (
    <li className="version-row">
      <span className="version-title">{title}</span>
      <span className="muted version-why">
        {card.name === null ? REASONS[card.why] : `${whenOf(card.at)}, ${REASONS[card.why]}`}
      </span>
      <span className="art-buttons">
        <button
          type="button"
          className="small-button"
          aria-pressed={isShown}
          aria-label={`Show ${title} behind the present`}
          onClick={compare}
        >
          {isShown ? 'Hide' : 'Show behind'}
        </button>
        <button
          type="button"
          className="small-button"
          aria-label={`Open ${title} as a copy`}
          onClick={() => void bringBack()}
        >
          Open as a copy
        </button>
        <IconAction
          label={`Delete ${title}`}
          icon={<IconTrash size={14} aria-hidden />}
          onClick={() => void removeVersion(card).then((restore) => offerUndo(`“${title}” was deleted`, restore))}
        />
      </span>
    </li>
  );
}

const CLOCK = new Intl.DateTimeFormat('en-GB', { hour: '2-digit', minute: '2-digit' });
const DAY = new Intl.DateTimeFormat('en-GB', { day: 'numeric', month: 'short' });

/** When a state was kept, by the day and the minute. */
function whenOf(stored: number): string {
  const at = pastTime(stored);
  if (at === null) return 'Date unknown';
  const isToday = new Date(at).toDateString() === new Date().toDateString();
  return `${isToday ? 'Today' : DAY.format(at)}, ${CLOCK.format(at)}`;
}
