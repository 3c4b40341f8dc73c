import { useEffect, type ReactNode } from 'react';
import { SceneError, type Scene } from '@pace-line/core';
import { change } from '../../actions/change.ts';
import { useDesk } from '../../context.ts';
import { useDeskView } from '../../view.ts';

/** The key of a ghost that shows what a change would make. */
const OFFERED = '·offered';

interface EditButtonProps {
  /** What undo calls it. */
  readonly label: string;
  readonly title: string;
  readonly className?: string;
  /** The scene that is shown, of which the ghost is made. */
  readonly scene: Scene;
  readonly edit: (scene: Scene) => Scene;
  readonly children: ReactNode;
}

/** A change that puts something right: pointed at or focused, shown as a ghost on the canvas and the sheet; pressed, done as one step. */
export function EditButton({ label, title, className = '', scene, edit, children }: EditButtonProps) {
  const desk = useDesk();
  const show = (): void => showOffer(scene, edit);
  useEffect(() => hideOffer, []);
  return (
    <button
      type="button"
      className={`small-button ${className}`}
      title={`${title}; shown as a ghost meanwhile`}
      onPointerEnter={show}
      onFocus={show}
      onPointerLeave={hideOffer}
      onBlur={hideOffer}
      onClick={() => {
        hideOffer();
        change(desk, label, edit);
      }}
    >
      {children}
    </button>
  );
}

/** The ghost that an offer's stands in for: one that is held by hand comes back after it. */
let held: ReturnType<typeof useDeskView.getState>['ghost'] = null;

function showOffer(scene: Scene, edit: (scene: Scene) => Scene): void {
  const { ghost, set } = useDeskView.getState();
  if (ghost?.key !== OFFERED) held = ghost;
  try {
    set({ ghost: { key: OFFERED, scene: edit(scene) } });
  } catch (error) {
    // Why it cannot be is told when it is pressed.
    if (!(error instanceof SceneError)) throw error;
  }
}

/** Takes the ghost of an offer away. */
export function hideOffer(): void {
  const { ghost, set } = useDeskView.getState();
  if (ghost?.key === OFFERED) set({ ghost: held });
}
