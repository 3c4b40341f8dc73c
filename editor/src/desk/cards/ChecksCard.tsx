import { checkSeam, mendsOfSeam, type MendKind, type Scene, type SeamFinding } from '@pace-line/core';
import { useMemo } from 'react';
import { selectRider, useDocument, useCalmState } from '../../document/index.ts';
import { change } from '../actions/change.ts';
import { useDesk } from '../context.ts';
import { Card } from './Card.tsx';

/** What a mend does, on its button and in undo. */
const MENDS: Readonly<Record<MendKind, readonly [button: string, undo: string]>> = {
  'whole-laps': ['end on a whole lap', 'Close the lap'],
  'fit-cycle': ['fit its cycle to the loop', 'Fit the cycle'],
  'there-and-back': ['go there and back', 'Go there and back'],
  'rest-at-seam': ['slow to rest at the seam', 'Rest at the seam'],
};

/** Card 5: whether the loop's seam can be seen. */
export function ChecksCard() {
  const doc = useDocument();
  const scene = useCalmState((state) => state.committed);
  const findings = useMemo(() => checkSeam(scene), [scene]);
  const wrong = findings.filter((one) => !one.closes || !one.smooth);
  const summary =
    scene.clock.repeat === 'once' ? (
      'plays once'
    ) : findings.length === 0 ? (
      'nothing rides'
    ) : wrong.length === 0 ? (
      'all well'
    ) : (
      <span className="bad">{wrong.length} to look at</span>
    );
  return (
    <Card name="checks" number={5} title="Checks" summary={summary}>
      {findings.length === 0 && (
        <p className="card-empty">The seam of the loop is measured here for every rider on a guide.</p>
      )}
      {[...wrong, ...findings.filter((one) => !wrong.includes(one))].map((finding) => (
        <div key={finding.rider}>
          <button type="button" className="finding" onClick={() => doc.select(selectRider(finding.rider))}>
            <span className="row-label">Seam, {scene.riders.find((rider) => rider.id === finding.rider)?.name}</span>
            <Wording finding={finding} />
          </button>
          {wrong.includes(finding) && <MendButtons scene={scene} rider={finding.rider} />}
        </div>
      ))}
    </Card>
  );
}

/** What would mend a seam that shows, a click each. */
function MendButtons({ scene, rider }: { scene: Scene; rider: string }) {
  const desk = useDesk();
  const mends = useMemo(() => mendsOfSeam(scene, rider), [scene, rider]);
  if (mends.length === 0) return null;
  return (
    <div className="mends">
      {mends.map(({ kind, apply }) => (
        <button key={kind} type="button" className="small-button" onClick={() => change(desk, MENDS[kind][1], apply)}>
          {MENDS[kind][0]}
        </button>
      ))}
    </div>
  );
}

function Wording({ finding }: { finding: SeamFinding }) {
  const { gap, turn, speedBefore, speedAfter, hidden, closes, smooth } = finding;
  if (hidden) return <span className="good">✓ out of sight</span>;
  if (!closes)
    return (
      <span className="bad">
        ! {gap > 0.5 ? `jumps ${gap.toFixed(1)} px` : `jerks ${((turn * 180) / Math.PI).toFixed(1)}°`}
      </span>
    );
  if (!smooth)
    return (
      <span className="bad">
        ! {Math.round(speedBefore)} → {Math.round(speedAfter)} px/s
      </span>
    );
  return <span className="good">✓ {gap.toFixed(2)} px</span>;
}
