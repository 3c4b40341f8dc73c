import { useMemo } from 'react';
import {
  checkClosing,
  closingWords,
  lengthenLoop,
  riderById,
  setPace,
  type Closing,
  type Scene,
} from '@pace-line/core';
import { change, perform } from '../../actions/change.ts';
import { useDesk } from '../../context.ts';

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
        <LengthenButton closing={closing} />
      </div>
    </div>
  );
}

/** Gives every cycle that does not go into the loop the nearest length that does, and says by how much the most changed one changes. */
function FitButton({ scene, closing }: { scene: Scene; closing: Closing }) {
  const desk = useDesk();
  const { open } = closing;
  const worst = open[open.length - 1];
  if (!worst) return null;
  const share = Math.abs(worst.fits / worst.cycle - 1) * 100;
  const what = open.length === 1 ? (riderById(scene, worst.rider)?.name ?? 'it') : `${open.length} cycles`;
  return (
    <button
      type="button"
      className="small-button"
      title={`From ${worst.cycle.toFixed(3)} s to ${worst.fits.toFixed(3)} s`}
      onClick={() =>
        change(desk, 'Fit cycles to the loop', (base) =>
          open.reduce((sum, { rider, fits }) => setPace(sum, { rider, patch: { cycle: fits } }), base),
        )
      }
    >
      fit {what}: {share < 0.1 ? share.toFixed(2) : share.toFixed(1)}%
    </button>
  );
}

function LengthenButton({ closing: { loops, length } }: { closing: Closing }) {
  const desk = useDesk();
  if (loops === undefined || length === undefined || length > 3600) return null;
  return (
    <button
      type="button"
      className="small-button"
      title="The loop is as long as that; every rider goes on as it does now"
      onClick={() => perform(desk, 'Lengthen the loop', lengthenLoop, { loops })}
    >
      make the loop {length.toFixed(2)} s
    </button>
  );
}
