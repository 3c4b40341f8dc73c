import { useMemo } from 'react';
import {
  checkClosing,
  closingWords,
  lengthenLoop,
  riderById,
  setPace,
  type Closing,
  type OpenCycle,
  type Scene,
} from '@pace-line/core';
import { EditButton } from './EditButton.tsx';

/** Riders beyond which it is not asked while the scene is edited. */
const MOST_RIDERS = 500;

/** When all that moves by clocks of its own has come round together, and what would make that sooner; nothing where every loop closes. */
export function ClosingRow({ scene }: { scene: Scene }) {
  const closing = useMemo(() => (scene.riders.length > MOST_RIDERS ? undefined : checkClosing(scene)), [scene]);
  if (!closing || closing.loops === 1) return null;
  return (
    <div>
      <p className="finding">
        <span className="row-label finding-name">Everything closes</span>
        <span className="bad">! {closingWords(closing)}</span>
      </p>
      <div className="mends">
        <FitButton scene={scene} closing={closing} />
        <LengthenButton scene={scene} closing={closing} />
      </div>
    </div>
  );
}

/** How a cycle changes so that it fits, and how often it goes round in the loop then. */
const fitWords = ({ cycle, fits, rounds }: OpenCycle): string =>
  `cycle ${figure(cycle)} → ${figure(fits)} s, ${rounds} ${rounds === 1 ? 'round' : 'rounds'}`;

/** Digits of a time, s, that tell it from its neighbour. */
const figure = (seconds: number): string => seconds.toFixed(3).replace(/\.?0+$/, '');

/** Gives every cycle that does not go into the loop the nearest length that does. */
function FitButton({ scene, closing: { open } }: { scene: Scene; closing: Closing }) {
  const [first] = open;
  if (!first) return null;
  const nameOf = ({ rider }: OpenCycle): string => riderById(scene, rider)?.name ?? 'it';
  return (
    <EditButton
      label="Fit cycles to the loop"
      title={open.map((one) => `${nameOf(one)}: ${fitWords(one)}`).join('\n')}
      scene={scene}
      edit={(base) => open.reduce((sum, { rider, fits }) => setPace(sum, { rider, patch: { cycle: fits } }), base)}
    >
      {open.length === 1 ? `fit ${nameOf(first)}: ${fitWords(first)}` : `fit ${open.length} cycles to the loop`}
    </EditButton>
  );
}

function LengthenButton({ scene, closing: { loops, length } }: { scene: Scene; closing: Closing }) {
  if (loops === undefined || length === undefined || length > 3600) return null;
  return (
    <EditButton
      label="Lengthen the loop"
      title="The loop is as long as that; every rider goes on as it does now"
      scene={scene}
      edit={(base) => lengthenLoop(base, { loops })}
    >
      make the loop {length.toFixed(2)} s
    </EditButton>
  );
}
