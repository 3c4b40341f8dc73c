import { TextInput } from '@mantine/core';
import { IconDownload, IconSearch, IconTrash, IconUpload } from '@tabler/icons-react';
import { useEffect, useMemo, useState } from 'react';
import useSWR from 'swr';
import { guideById, pathData, pathOfGuide } from '@pace-line/core';
import {
  keepGuide,
  listKept,
  onCollectionChange,
  removeKept,
  renameKept,
  STARTERS,
  useDocumentState,
  writeCollection,
  type KeptEase,
  type KeptGuide,
} from '../../document/index.ts';
import { TextField } from '../../fields/index.ts';
import { IconAction } from '../../look/IconAction.tsx';
import { offerUndo } from '../../look/notices.tsx';
import { pickFiles, saveFile } from '../../platform/files.ts';
import { useDesk } from '../context.ts';
import { addCollection, bringInGuides } from '../intake/guides.ts';
import { GUIDE_DRAG } from './drag.ts';
import { useKeptEases } from '../ease/use-kept-eases.ts';
import { Drawer } from './Drawer.tsx';
import { EaseTiles } from './EaseTiles.tsx';
import { placeKept } from '../actions/outlines.ts';

/** The guides kept in this browser, and a few to start from; dragged to the canvas, or placed by a button. */
export function CollectionDrawer() {
  const { data: kept = [], mutate } = useSWR('collection', listKept);
  const [words, setWords] = useState('');
  useEffect(() => onCollectionChange(() => void mutate()), [mutate]);
  const matches = ({ name }: KeptGuide): boolean => name.toLowerCase().includes(words.trim().toLowerCase());
  const mine = kept.filter(matches);
  const eases = useKeptEases();
  const ours = eases.filter(({ name }) => name.toLowerCase().includes(words.trim().toLowerCase()));
  return (
    <Drawer title="Collection">
      <Intake />
      <TextInput
        size="xs"
        aria-label="Search the collection"
        placeholder="Search"
        leftSection={<IconSearch size={14} aria-hidden />}
        value={words}
        onChange={(event) => setWords(event.currentTarget.value)}
      />
      <KeptHeading kept={kept} eases={eases} />
      {mine.length === 0 && (
        <p className="card-note">{words ? 'None of that name.' : 'None yet: select a guide and keep it.'}</p>
      )}
      <GuideGrid guides={mine} own />
      <h3 className="drawer-heading">Easings</h3>
      {ours.length === 0 && (
        <p className="card-note">
          {words ? 'None of that name.' : 'None yet: open the curve of a leg’s easing, and save it under a name.'}
        </p>
      )}
      <EaseTiles eases={ours} />
      <h3 className="drawer-heading">To start from</h3>
      <GuideGrid guides={STARTERS.filter(matches)} own={false} />
    </Drawer>
  );
}

/** What puts a guide into the collection, or guides of a file on the canvas. */
function Intake() {
  const desk = useDesk();
  const selected = useDocumentState((state) => guideById(state.shown, state.selection.guides[0] ?? null));
  return (
    <div className="drawer-buttons">
      <button
        type="button"
        className="small-button"
        disabled={!selected}
        onClick={() => selected && void keepGuide(selected.name, selected)}
      >
        {selected ? `Keep “${selected.name}”` : 'Select a guide to keep it'}
      </button>
      <button type="button" className="small-button" onClick={() => void bringInGuides(desk)}>
        From a file…
      </button>
    </div>
  );
}

/** Takes the guides of collection files in. */
async function bringIn(): Promise<void> {
  for (const file of await pickFiles('.json,application/json')) await addCollection(file.name, await file.text());
}

function KeptHeading({ kept, eases }: { kept: readonly KeptGuide[]; eases: readonly KeptEase[] }) {
  return (
    <h3 className="drawer-heading">
      Saved in this browser
      <span className="drawer-tools">
        <IconAction
          label="Add from a collection file"
          hint="Add from a collection file"
          icon={<IconUpload size={14} aria-hidden />}
          onClick={() => void bringIn()}
        />
        <IconAction
          label="Save as a collection file"
          hint="Save as a collection file"
          icon={<IconDownload size={14} aria-hidden />}
          disabled={kept.length + eases.length === 0}
          onClick={() => saveFile('guides.paceline-guides.json', 'application/json', writeCollection(kept, eases))}
        />
      </span>
    </h3>
  );
}

function GuideGrid({ guides, own }: { guides: readonly KeptGuide[]; own: boolean }) {
  return (
    <ul className="guide-grid">
      {guides.map((one) => (
        <GuideTile key={one.id} kept={one} own={own} />
      ))}
    </ul>
  );
}

function GuideTile({ kept, own }: { kept: KeptGuide; own: boolean }) {
  const desk = useDesk();
  const canvas = useDocumentState((state) => state.shown.canvas);
  const { d, box } = useMemo(() => {
    const { left, right, top, bottom } = pathOfGuide(kept.guide).bounds;
    const edge = 0.08 * Math.max(right - left, bottom - top, 1);
    return {
      d: pathData(kept.guide.nodes, kept.guide.closed, 1),
      box: `${left - edge} ${top - edge} ${right - left + 2 * edge} ${bottom - top + 2 * edge}`,
    };
  }, [kept]);
  const place = (): void => placeKept(desk, kept, [canvas.width / 2, canvas.height / 2]);
  const remove = async (): Promise<void> => {
    const restore = await removeKept(kept.id);
    offerUndo(`“${kept.name}” was removed from the collection`, restore);
  };
  return (
    <li className="guide-tile">
      <button
        type="button"
        className="guide-face"
        draggable
        aria-label={`Place ${kept.name}`}
        onClick={place}
        onDragStart={(event) => {
          event.dataTransfer.setData(GUIDE_DRAG, kept.id);
          event.dataTransfer.effectAllowed = 'copy';
        }}
      >
        <svg viewBox={box} aria-hidden>
          <path d={d} stroke={kept.guide.color} vectorEffect="non-scaling-stroke" />
        </svg>
      </button>
      {own ? (
        <span className="guide-line-name">
          <TextField
            label={`Name of ${kept.name}`}
            value={kept.name}
            onCommit={(name) => void renameKept(kept.id, name)}
          />
          <IconAction
            label={`Take ${kept.name} out`}
            icon={<IconTrash size={14} aria-hidden />}
            onClick={() => void remove()}
          />
        </span>
      ) : (
        <span className="art-name">{kept.name}</span>
      )}
    </li>
  );
}
