import { IconPlayerPauseFilled, IconPlayerPlayFilled } from '@tabler/icons-react';
import { useOpenScene, usePlaying } from '../scene/context.ts';
import { useDeskView, type DeskPage } from './view.ts';

const PAGES: readonly (readonly [DeskPage, string])[] = [
  ['canvas', 'Canvas'],
  ['sheet', 'Sheet'],
  ['cards', 'Cards'],
];

/** In a narrow window the panes and the cards are pages: this turns them, with play always there. */
export function PageBar() {
  const { playback } = useOpenScene();
  const { playing } = usePlaying();
  const page = useDeskView((state) => state.page);
  const set = useDeskView((state) => state.set);
  return (
    <nav className="page-bar" aria-label="Pages of the Desk">
      <button
        type="button"
        className="play-button"
        aria-label={playing ? 'Pause' : 'Play'}
        onClick={() => playback.toggle()}
      >
        {playing ? <IconPlayerPauseFilled size={16} aria-hidden /> : <IconPlayerPlayFilled size={16} aria-hidden />}
      </button>
      {PAGES.map(([name, word]) => (
        <button
          key={name}
          type="button"
          className="page-tab"
          aria-pressed={page === name}
          onClick={() => set({ page: name })}
        >
          {word}
        </button>
      ))}
    </nav>
  );
}
