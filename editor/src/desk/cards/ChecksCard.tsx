import {
  jumpWords,
  mendsOfSeam,
  riderById,
  seamHolds,
  seamWords,
  TURNS_AT_REST,
  type JumpFinding,
  type MendKind,
  type Scene,
  type SeamFinding,
} from '@pace-line/core';
import { useMemo, useState, type ReactNode } from 'react';
import { selectRider, useDocumentState } from '../../document/index.ts';
import { change } from '../actions/change.ts';
import { useDesk } from '../context.ts';
import { useChecks } from '../../scene/use-checks.ts';
import { Card } from './Card.tsx';
import { ClosingRow } from './checks/ClosingRow.tsx';
import { MeetingsRow } from './checks/MeetingsRow.tsx';

/** What a mend does, on its button and in undo. */
const MENDS: Readonly<Record<MendKind, readonly [button: string, undo: string]>> = {
  'whole-laps': ['end on a whole lap', 'Close the lap'],
  'keys-meet': ['match end keys', 'Let keys meet'],
  'whole-strides': ['whole strides', 'Close the strides'],
  'fit-cycle': ['fit its cycle to the loop', 'Fit the cycle'],
  'there-and-back': ['go there and back', 'Go there and back'],
  'match-speeds': ['match its speeds', 'Match the speeds at the seam'],
  'rest-at-seam': ['ease to rest', 'Rest at the seam'],
};

/** Rows of each check that a card shows: what is wrong comes first. */
const MOST_ROWS = 60;

/** Card 5: whether the loop's seam can be seen, and whether anything leaps within it. */
export function ChecksCard() {
  const scene = useDocumentState((state) => state.committed);
  const { seams, jumps, state } = useChecks(scene);
  const isWrong = (one: SeamFinding): boolean => !seamHolds(one);
  const wrong = seams.filter(isWrong);
  const count = wrong.length + jumps.length;
  const words = { looking: 'looking…', 'given up': 'too large to check' };
  const nothing =
    state !== 'found'
      ? words[state]
      : scene.clock.repeat === 'once'
        ? 'plays once'
        : seams.length === 0
          ? 'nothing moves yet'
          : 'no findings';
  return (
    <Card
      name="checks"
      number={5}
      title="Checks"
      summary={
        count > 0 ? (
          <span className="bad">
            {count} {count === 1 ? 'finding' : 'findings'}
          </span>
        ) : (
          nothing
        )
      }
    >
      {seams.length + jumps.length === 0 && (
        <p className="card-empty">
          The seam of the loop, and leaps within it, are found here for every rider on a guide.
        </p>
      )}
      <ClosingRow scene={scene} />
      <MeetingsRow scene={scene} />
      {jumps.slice(0, MOST_ROWS).map((finding) => (
        <JumpRow key={finding.rider} scene={scene} finding={finding} />
      ))}
      {wrong.slice(0, MOST_ROWS).map((finding) => (
        <SeamRow key={finding.rider} scene={scene} finding={finding} />
      ))}
      <ClosingSeams scene={scene} seams={seams.filter((one) => !isWrong(one))} all={seams.length} />
      {Math.max(jumps.length, seams.length) > MOST_ROWS && (
        <p className="card-note">Further riders are checked too, and counted above.</p>
      )}
    </Card>
  );
}

/** One seam, with what would mend it. */
function SeamRow({ scene, finding }: { scene: Scene; finding: SeamFinding }) {
  return (
    <div>
      <Finding scene={scene} what="Seam" rider={finding.rider} verdict={<Wording finding={finding} />} />
      {(!seamHolds(finding) || finding.turnSpeed > TURNS_AT_REST) && (
        <MendButtons scene={scene} rider={finding.rider} />
      )}
    </div>
  );
}

interface ClosingSeamsProps {
  readonly scene: Scene;
  readonly seams: readonly SeamFinding[];
  readonly all: number;
}

/** The seams that close, as one line that opens; those that turn at rest stand by themselves. */
function ClosingSeams({ scene, seams, all }: ClosingSeamsProps) {
  const [isOpen, setOpen] = useState(false);
  if (seams.length === 0) return null;
  const turning = seams.filter(({ turnSpeed }) => turnSpeed > TURNS_AT_REST);
  return (
    <>
      {!isOpen &&
        turning.slice(0, MOST_ROWS).map((finding) => <SeamRow key={finding.rider} scene={scene} finding={finding} />)}
      <button type="button" className="finding" aria-expanded={isOpen} onClick={() => setOpen(!isOpen)}>
        <span className="row-label">
          <span className="good">✓</span> Seams:{' '}
          {seams.length === all ? `all ${all} close` : `${seams.length} of ${all} close`}
        </span>
        <span aria-hidden>{isOpen ? '▴' : '▾'}</span>
      </button>
      {isOpen &&
        seams.slice(0, MOST_ROWS).map((finding) => <SeamRow key={finding.rider} scene={scene} finding={finding} />)}
    </>
  );
}

interface FindingProps {
  readonly scene: Scene;
  readonly what: string;
  readonly rider: string;
  readonly verdict: ReactNode;
  /** When it can be seen, s. */
  readonly at?: number;
}

/** A line of what was found; pressed, its rider is selected, at the time where it can be seen. */
function Finding({ scene, what, rider, verdict, at }: FindingProps) {
  const { doc, playback } = useDesk();
  return (
    <button
      type="button"
      className="finding"
      onClick={() => {
        doc.select(selectRider(rider));
        playback.goTo(at);
      }}
    >
      <span className="row-label finding-name">
        {what}, <bdi>{riderById(scene, rider)?.name}</bdi>
      </span>
      {verdict}
    </button>
  );
}

function JumpRow({ scene, finding }: { scene: Scene; finding: JumpFinding }) {
  return (
    <Finding
      scene={scene}
      what="Leap"
      rider={finding.rider}
      at={finding.at}
      verdict={<span className="bad">! {jumpWords(finding)}</span>}
    />
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
  const holds = seamHolds(finding);
  return (
    <span className={holds ? 'good' : 'bad'}>
      {holds ? '✓' : '!'} {seamWords(finding)}
    </span>
  );
}
