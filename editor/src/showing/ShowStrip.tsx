import { ActionIcon, Tooltip } from '@mantine/core';
import { IconPlayerPause, IconPlayerPlay, IconPlayerTrackNext, IconX } from '@tabler/icons-react';
import { useEffect, useRef, type ReactNode } from 'react';
import { useNavigate } from 'react-router';
import { forgetDeleted, removeStored, useDocument } from '../document/index.ts';
import { beginShow } from './begin.ts';
import { goOn } from './run.ts';
import { endShow, pauseShow, useShow, type Show } from './state.ts';
import './showing.css';

/** Speeds of the hand. */
const SPEEDS = [0.5, 1, 2, 4] as const;

/** What is being shown: the step in words, and how it goes on. It begins by itself. */
export function ShowStrip() {
  const show = useShow((state) => state.show);
  useEffect(() => {
    if (useShow.getState().show?.step === 0) void goOn(false);
    return pauseShow;
  }, []);
  return show && <Strip show={show} />;
}

function Strip({ show }: { readonly show: Show }) {
  const { recipe, step, state, isStepwise } = show;
  const acts = state.kind === 'acts';
  usePausing(acts);
  return (
    <>
      <section className="show-strip" aria-label={`Recipe: ${recipe.title}`} data-state={state.kind}>
        <p className="show-words" role="status">
          <strong>{recipe.title}</strong> {wordsOf(show)}
        </p>
        {state.kind !== 'done' && (
          <span className="figures muted show-count">
            {Math.min(step + 1, recipe.steps.length)} of {recipe.steps.length}
          </span>
        )}
        {state.kind === 'done' || state.kind === 'failed' ? (
          <AfterIt show={show} />
        ) : (
          <div className="show-controls">
            {acts && !isStepwise ? (
              <Control label="Pause" onClick={pauseShow} icon={<IconPlayerPause size={16} aria-hidden />} />
            ) : (
              <Control
                label="Show all steps"
                onClick={() => void goOn(false)}
                icon={<IconPlayerPlay size={16} aria-hidden />}
              />
            )}
            <Control
              label="Show one step"
              onClick={() => void goOn(true)}
              icon={<IconPlayerTrackNext size={16} aria-hidden />}
              disabled={acts}
            />
            <Speeds />
          </div>
        )}
        <Control label="Close, and keep the scene" onClick={endShow} icon={<IconX size={16} aria-hidden />} />
      </section>
      {acts && <div className="show-shield" onPointerDown={pauseShow} aria-hidden />}
    </>
  );
}

function wordsOf({ recipe, step, state }: Show): string {
  if (state.kind === 'failed') return `This step could not be shown: ${state.why}. The scene is yours to try.`;
  if (state.kind === 'done') return 'Done. The scene is yours to try; Undo takes it back step by step.';
  return recipe.steps[step]?.says ?? '';
}

/** Whoever presses a key while a hand is at work takes over: it waits. */
function usePausing(acts: boolean): void {
  useEffect(() => {
    if (!acts) return;
    const onKey = (event: KeyboardEvent): void => {
      const isOwn = event.target instanceof Element && event.target.closest('.show-strip') !== null;
      if (!event.isTrusted || (isOwn && event.key !== 'Escape')) return;
      event.stopImmediatePropagation();
      event.preventDefault();
      pauseShow();
    };
    window.addEventListener('keydown', onKey, { capture: true });
    return () => window.removeEventListener('keydown', onKey, { capture: true });
  }, [acts]);
}

interface ControlProps {
  readonly label: string;
  readonly icon: ReactNode;
  readonly disabled?: boolean;
  readonly onClick: () => void;
}

const Control = ({ label, icon, disabled = false, onClick }: ControlProps) => (
  <Tooltip label={label} zIndex={10_003}>
    <ActionIcon variant="subtle" color="gray" aria-label={label} disabled={disabled} onClick={onClick}>
      {icon}
    </ActionIcon>
  </Tooltip>
);

/** How fast the hand works. */
function Speeds() {
  const { speed, setSpeed } = useShow();
  return (
    <div className="segments" role="group" aria-label="Speed of the recipe">
      {SPEEDS.map((one) => (
        <button key={one} type="button" aria-pressed={one === speed} onClick={() => setSpeed(one)}>
          {one === 0.5 ? '½' : one}×
        </button>
      ))}
    </div>
  );
}

/** ms in which a scene is left. */
const LEAVING = 300;

/** What can be done once it was shown. A scene in which nothing was done since is not kept. */
function AfterIt({ show }: { readonly show: Show }) {
  const navigate = useNavigate();
  const doc = useDocument();
  const shown = useRef(doc.state.committed);
  const leave = async (go: () => unknown): Promise<void> => {
    const isUntouched = doc.state.committed === shown.current;
    endShow();
    await go();
    if (!isUntouched) return;
    // What was not saved yet is so as the scene is left: it goes after that.
    await new Promise((resolve) => setTimeout(resolve, LEAVING));
    await removeStored(show.scene);
    await forgetDeleted(show.scene);
  };
  return (
    <div className="show-controls">
      <button
        type="button"
        className="small-button"
        onClick={() => void leave(() => beginShow(show.recipe, (address) => void navigate(address)))}
      >
        Show again
      </button>
      <button
        type="button"
        className="small-button"
        onClick={() => void leave(() => navigate(`/help#${show.recipe.id}`))}
      >
        Back to Help
      </button>
    </div>
  );
}
