import { checkSeam, type SeamFinding } from '@pace-line/core';
import { useMemo } from 'react';
import { selectRider, useDocument, useCalmState } from '../../document/index.ts';
import { Card } from './Card.tsx';

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
        <button
          key={finding.rider}
          type="button"
          className="finding"
          onClick={() => doc.select(selectRider(finding.rider))}
        >
          <span className="row-label">Seam, {scene.riders.find((rider) => rider.id === finding.rider)?.name}</span>
          <Wording finding={finding} />
        </button>
      ))}
    </Card>
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
