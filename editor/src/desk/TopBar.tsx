import { Menu, Tooltip } from '@mantine/core';
import { useMediaQuery } from '@mantine/hooks';
import { IconArrowBackUp, IconArrowForwardUp, IconDots, IconHelp } from '@tabler/icons-react';
import type { ReactNode } from 'react';
import { Link } from 'react-router';
import { renameScene } from '@pace-line/core';
import { useDocumentState } from '../document/index.ts';
import { TextField } from '../fields/index.ts';
import { Wordmark } from '../look/Wordmark.tsx';
import { useOpenScene } from '../scene/context.ts';
import { perform } from './actions/change.ts';
import { saveScene } from './actions/saving.ts';
import { useDesk } from './context.ts';
import { FindField } from '../find/FindField.tsx';
import { SaveLine } from './SaveLine.tsx';
import { useDeskView, type Drawer } from './view.ts';
import './TopBar.css';

const findAnything = async () => (await import('./find/FindAnything.tsx')).FindAnything;

/** Below this width what is used less often stands in a menu. */
const NARROW = '(max-width: 1023px)';

const DRAWERS: readonly (readonly [NonNullable<Drawer>, string])[] = [
  ['contents', 'Contents'],
  ['art', 'Art'],
  ['collection', 'Collection'],
];

/** The Desk's upper edge: the scene's name and state, undo and redo, drawers, Send. */
export function TopBar() {
  const { id } = useOpenScene();
  const desk = useDesk();
  const name = useDocumentState((state) => state.shown.name);
  const isNarrow = useMediaQuery(NARROW, undefined, { getInitialValueInEffect: false });
  return (
    <header className="top-bar desk-bar">
      <Link to="/" className="home-link" aria-label="To the Shelf">
        <Wordmark small />
      </Link>
      <div className="scene-name">
        <TextField
          label="Scene name"
          value={name}
          onCommit={(next) => perform(desk, 'Rename scene', renameScene, { name: next })}
        />
      </div>
      <SaveLine />
      <span className="spacer" />
      <FindField panel={findAnything} />
      <History />
      {isNarrow ? <MoreMenu /> : <Drawers />}
      <Link className="bar-button strong" to={`/scene/${id}/send`}>
        Send
      </Link>
    </header>
  );
}

function History() {
  const { doc } = useDesk();
  const undo = useDocumentState((state) => (state.readOnly ? undefined : state.past.at(-1)?.label));
  const redo = useDocumentState((state) => (state.readOnly ? undefined : state.future.at(-1)?.label));
  return (
    <>
      <Step word="Undo" label={undo} keys="Ctrl Z" onClick={() => doc.undo()}>
        <IconArrowBackUp size={17} aria-hidden />
      </Step>
      <Step word="Redo" label={redo} keys="Ctrl Shift Z" onClick={() => doc.redo()}>
        <IconArrowForwardUp size={17} aria-hidden />
      </Step>
    </>
  );
}

interface StepProps {
  readonly word: string;
  readonly label: string | undefined;
  readonly keys: string;
  readonly onClick: () => void;
  readonly children: ReactNode;
}

function Step({ word, label, keys, onClick, children }: StepProps) {
  return (
    <Tooltip label={label ? `${word}: ${label} (${keys})` : `Nothing to ${word.toLowerCase()}`}>
      <button
        type="button"
        className="plain-button"
        disabled={!label}
        onClick={onClick}
        aria-label={label ? `${word}: ${label}` : word}
      >
        {children} <span className="step-word">{word}</span>
      </button>
    </Tooltip>
  );
}

function useToggleDrawer(): (which: NonNullable<Drawer>) => void {
  const set = useDeskView((state) => state.set);
  return (which) => set({ drawer: useDeskView.getState().drawer === which ? null : which, page: 'canvas' });
}

function Drawers() {
  const { id } = useOpenScene();
  const drawer = useDeskView((state) => state.drawer);
  const toggle = useToggleDrawer();
  const desk = useDesk();
  return (
    <>
      <span className="bar-rule" />
      {DRAWERS.map(([which, word]) => (
        <button
          key={which}
          type="button"
          className="bar-button"
          aria-pressed={drawer === which}
          onClick={() => toggle(which)}
        >
          {word}
        </button>
      ))}
      <button type="button" className="bar-button" onClick={() => saveScene(desk)}>
        Save file
      </button>
      <Tooltip label="Help">
        <Link className="plain-button" to={`/help?from=${id}`} aria-label="Help">
          <IconHelp size={17} aria-hidden />
        </Link>
      </Tooltip>
    </>
  );
}

function MoreMenu() {
  const { id } = useOpenScene();
  const toggle = useToggleDrawer();
  const desk = useDesk();
  return (
    <Menu position="bottom-end" withinPortal>
      <Menu.Target>
        <button type="button" className="plain-button" aria-label="More">
          <IconDots size={17} aria-hidden />
        </button>
      </Menu.Target>
      <Menu.Dropdown>
        {DRAWERS.map(([which, word]) => (
          <Menu.Item key={which} onClick={() => toggle(which)}>
            {word}
          </Menu.Item>
        ))}
        <Menu.Item onClick={() => toggle('versions')}>Versions</Menu.Item>
        <Menu.Item onClick={() => saveScene(desk)}>Save file</Menu.Item>
        <Menu.Item component={Link} to={`/help?from=${id}`}>
          Help
        </Menu.Item>
        <Menu.Item onClick={() => useDeskView.getState().set({ shortcuts: true })}>Shortcuts</Menu.Item>
      </Menu.Dropdown>
    </Menu>
  );
}
