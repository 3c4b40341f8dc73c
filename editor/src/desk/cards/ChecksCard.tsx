import { useEffect, useMemo, useState } from 'react';
import { hasSeam, setClearance, type Scene, type Told } from '@pace-line/core';
import { useDocumentState } from '../../document/index.ts';
import { useChecks } from '../../scene/use-checks.ts';
import { perform } from '../actions/change.ts';
import { useDesk } from '../context.ts';
import { useDeskView } from '../view.ts';
import { Card } from './Card.tsx';
import { ClosingRow } from './checks/ClosingRow.tsx';
import { FindingRow } from './checks/FindingRow.tsx';
import { turns } from './checks/mends.ts';
import { NumberRow } from './rows.tsx';

/** Rows of each kind that a card shows: what is wrong comes first. */
const MOST_ROWS = 60;

const rowsOf = (found: readonly Told[]): readonly Told[] => found.filter(({ check }) => check !== 'closing');

const isSeam = ({ check, isNote }: Told): boolean => check === 'seam' && !isNote;

/** Card 5: what the checks find, what is wrong first; what holds is a line for each kind. */
export function ChecksCard() {
  const scene = useDocumentState((state) => state.committed);
  const { found, state, isCurrent } = useChecks(scene);
  const rows = rowsOf(found);
  const wrong = useMemo(() => rowsOf(found).filter(({ holds }) => !holds), [found]);
  // The sheet has bands where it happens.
  useEffect(() => useDeskView.getState().set({ wrong: { scene, found: wrong } }), [scene, wrong]);
  useKeptFinding(scene, wrong, isCurrent);
  const seams = rows.filter(isSeam);
  const words = { looking: 'looking…', 'given up': 'too large to check' };
  const nothing =
    state !== 'found'
      ? words[state]
      : scene.clock.repeat === 'once'
        ? 'plays once'
        : seams.length === 0 && hasSeam(scene)
          ? 'nothing moves yet'
          : 'no findings';
  return (
    <Card
      name="checks"
      number={5}
      title="Checks"
      isPending={!isCurrent}
      summary={
        wrong.length > 0 ? (
          <span className="bad">
            {wrong.length} {wrong.length === 1 ? 'finding' : 'findings'}
          </span>
        ) : (
          nothing
        )
      }
    >
      {rows.length === 0 && (
        <p className="card-empty">
          The seam of the loop, leaps within it and bodies that overlap are found here, for every rider.
        </p>
      )}
      <ClosingRow scene={scene} />
      {wrong.slice(0, MOST_ROWS).map((one) => (
        <FindingRow key={keyOf(one)} scene={scene} finding={one} />
      ))}
      <Holding scene={scene} found={rows.filter(({ holds }) => holds)} seams={seams.length} />
      {scene.riders.length > 1 && <ApartRow clearance={scene.checks.clearance} />}
      {Math.max(wrong.length, seams.length) > MOST_ROWS && (
        <p className="card-note">Further riders are checked too, and counted above.</p>
      )}
    </Card>
  );
}

/** How far riders have to keep apart. */
function ApartRow({ clearance }: { clearance: number }) {
  const desk = useDesk();
  return (
    <NumberRow
      of="checks.clearance"
      value={clearance}
      unit="px"
      units={{ px: 1 }}
      digits={1}
      min={0}
      max={10_000}
      onCommit={(px) => perform(desk, 'Change clearance', setClearance, { clearance: px })}
    />
  );
}

/** After an edit what was looked at still is, as it is found now; no more where it holds, or where nothing is selected. */
function useKeptFinding(scene: Scene, wrong: readonly Told[], isCurrent: boolean): void {
  const isNothing = useDocumentState(({ selection: { guides, riders } }) => guides.length + riders.length === 0);
  useEffect(() => {
    const { finding, set } = useDeskView.getState();
    if (!finding || !isCurrent || finding.scene === scene) return;
    const one = isNothing ? undefined : wrong.find((other) => keyOf(other) === keyOf(finding.finding));
    set({ finding: one ? { scene, finding: one, isKept: true } : null });
  }, [scene, wrong, isCurrent, isNothing]);
}

const keyOf = ({ check, riders }: Told): string => `${check} ${riders.join(' ')}`;

interface HoldingProps {
  readonly scene: Scene;
  readonly found: readonly Told[];
  /** How many seams there are in all. */
  readonly seams: number;
}

/** What holds, in lines that open: the seams that close, what is told for its own sake, and what is meant so. Seams that turn without resting stand by themselves. */
function Holding({ scene, found, seams }: HoldingProps) {
  const closing = found.filter((one) => isSeam(one) && !one.meant);
  const meant = found.filter((one) => one.meant);
  const notes = found.filter(({ isNote }) => isNote);
  const labels = [...new Set(notes.map(({ label }) => label))];
  return (
    <>
      {closing.length > 0 && (
        <Line
          words={`Seams: ${closing.length === seams ? `all ${seams} close` : `${closing.length} of ${seams} close`}`}
          scene={scene}
          found={closing}
          always={closing.filter(turns)}
        />
      )}
      {labels.map((label) => {
        const told = notes.filter((one) => one.label === label);
        if (told.length > 1)
          return <Line key={label} words={`${label}: ${told.length}`} scene={scene} found={told} always={[]} />;
        return told.map((one) => <FindingRow key={keyOf(one)} scene={scene} finding={one} />);
      })}
      {meant.length > 0 && <Line words={`Meant so: ${meant.length}`} scene={scene} found={meant} always={[]} />}
    </>
  );
}

interface LineProps {
  readonly words: string;
  readonly scene: Scene;
  readonly found: readonly Told[];
  /** What is shown though the line is not open. */
  readonly always: readonly Told[];
}

function Line({ words, scene, found, always }: LineProps) {
  const [isOpen, setOpen] = useState(false);
  const rows = (isOpen ? found : always)
    .slice(0, MOST_ROWS)
    .map((one) => <FindingRow key={keyOf(one)} scene={scene} finding={one} />);
  return (
    <>
      {!isOpen && rows}
      <button type="button" className="finding" aria-expanded={isOpen} onClick={() => setOpen(!isOpen)}>
        <span className="row-label">
          {found.every(({ isNote }) => isNote) ? '' : <span className="good">✓ </span>}
          {words}
        </span>
        <span aria-hidden>{isOpen ? '▴' : '▾'}</span>
      </button>
      {isOpen && rows}
    </>
  );
}
