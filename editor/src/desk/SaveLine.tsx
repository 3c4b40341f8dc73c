import { Tooltip } from '@mantine/core';
import { IconHistory } from '@tabler/icons-react';
import { use, useLayoutEffect, useRef, type RefObject } from 'react';
import { useDocumentState, type SaveState } from '../document/index.ts';
import { SaveStateContext } from '../scene/context.ts';
import { saveScene } from './actions/saving.ts';
import { useDesk } from './context.ts';
import { useDeskView } from './view.ts';

/** ms between two looks at how long ago the scene was kept. */
const LOOK_EVERY = 5000;

/** How far the scene is kept; pressed, its earlier states. Where it is not kept, saving it as a file is beside that for as long as it lasts. */
export function SaveLine() {
  const save = use(SaveStateContext);
  const desk = useDesk();
  const readOnly = useDocumentState((state) => state.readOnly);
  const words = useWords(save);
  const isOpen = useDeskView((state) => state.drawer === 'versions');
  const toggle = (): void => useDeskView.getState().set({ drawer: isOpen ? null : 'versions', page: 'canvas' });
  return (
    <span className="save-line">
      <Tooltip label={save.kind === 'failed' ? `Not saved: ${save.message}` : 'Versions of this scene'}>
        <button
          type="button"
          className={`plain-button save-words ${save.kind === 'failed' ? 'bad' : 'muted'}`}
          aria-pressed={isOpen}
          aria-label="Versions"
          aria-describedby="save-words"
          onClick={toggle}
        >
          <IconHistory size={15} aria-hidden />
          {readOnly ? (
            <span id="save-words" role="status">
              for reading only
            </span>
          ) : (
            <span id="save-words" role="status" ref={words} />
          )}
        </button>
      </Tooltip>
      {save.kind === 'failed' && (
        <button type="button" className="small-button" onClick={() => saveScene(desk)}>
          Save it as a file
        </button>
      )}
    </span>
  );
}

/** Says the words as time goes on: written, not rendered. */
function useWords(save: SaveState): RefObject<HTMLSpanElement | null> {
  const words = useRef<HTMLSpanElement>(null);
  useLayoutEffect(() => {
    const say = (): void => {
      const now = wordsOf(save, Date.now());
      if (words.current && words.current.textContent !== now) words.current.textContent = now;
    };
    say();
    const timer = setInterval(say, LOOK_EVERY);
    return () => clearInterval(timer);
  });
  return words;
}

function wordsOf(save: SaveState, now: number): string {
  switch (save.kind) {
    case 'waiting':
      return 'Saving…';
    case 'failed':
      return 'Not saved!';
    case 'kept':
      return `Saved ${ago(Math.max(0, now - save.at))}`;
  }
}

function ago(ms: number): string {
  const s = Math.round(ms / 1000);
  if (s < 10) return 'just now';
  if (s < 60) return `${Math.round(s / 10) * 10} s ago`;
  return s < 3600 ? `${Math.round(s / 60)} min ago` : 'in this browser';
}
