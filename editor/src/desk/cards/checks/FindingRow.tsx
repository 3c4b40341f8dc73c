import { useMemo } from 'react';
import {
  acceptFinding,
  isOffered,
  mendsOfSeam,
  reopenFinding,
  riderById,
  type Scene,
  type Told,
} from '@pace-line/core';
import { NOTHING } from '../../../document/index.ts';
import { TextField } from '../../../fields/index.ts';
import { perform } from '../../actions/change.ts';
import { useDesk } from '../../context.ts';
import { hand } from '../../canvas/hand.ts';
import { LiveText } from '../../live.tsx';
import { useDeskView } from '../../view.ts';
import { EditButton } from './EditButton.tsx';
import { MENDS, turns } from './mends.ts';
import { Offers } from './Offers.tsx';

interface FindingRowProps {
  readonly scene: Scene;
  readonly finding: Told;
}

/** A line of what was found, and what can be done about it. Pressed, its riders are selected at the time where it is seen, and it is drawn on the canvas. */
export function FindingRow({ scene, finding }: FindingRowProps) {
  const { doc, playback } = useDesk();
  const { label, about, holds, isNote, riders, words, at, meant } = finding;
  const names = <Names scene={scene} riders={riders} />;
  const sign = isNote ? '' : holds ? '✓ ' : '! ';
  return (
    <div>
      <button
        type="button"
        className="finding"
        title={meant?.why || about}
        onClick={() => {
          doc.select({ ...NOTHING, riders: [...riders] });
          playback.pause();
          playback.goTo(at ?? 0);
          useDeskView.getState().set({ finding: { scene, finding } });
        }}
      >
        <span className="row-label finding-name">
          {label}
          {riders.length === 1 && <>, {names}</>}
        </span>
        <span className={isNote ? '' : holds ? 'good' : 'bad'}>
          <LiveText
            text={() => followedWords(finding) ?? `${sign}${unbroken(words)}`}
          >{`${sign}${unbroken(words)}`}</LiveText>
        </span>
        {riders.length > 1 && <small className="finding-who">{names}</small>}
      </button>
      <Answers scene={scene} finding={finding} />
    </div>
  );
}

/** What its check says of what a hand is making, where it is the one that is looked at. */
function followedWords(finding: Told): string | undefined {
  const { followed } = hand.getState();
  if (followed?.finding !== finding) return undefined;
  return followed.found ? `! ${unbroken(followed.found.words)}` : '✓';
}

/** Words of which no line ends between a number and its unit. */
const unbroken = (words: string): string => words.replace(/(\d) (?=\S)/g, '$1\u00a0');

function Names({ scene, riders }: { scene: Scene; riders: readonly string[] }) {
  return riders.map((id, i) => (
    <span key={id}>
      {i > 0 && ', '}
      <bdi>{riderById(scene, id)?.name}</bdi>
    </span>
  ));
}

/** What would mend a finding, a press each; or that it is meant so. */
function Answers({ scene, finding }: FindingRowProps) {
  const desk = useDesk();
  const { check, holds, riders, words, meant } = finding;
  const [rider = ''] = riders;
  const isMended = check === 'seam' && (!holds || turns(finding));
  const mends = useMemo(() => (isMended ? mendsOfSeam(scene, rider) : []), [isMended, scene, rider]);
  if (holds && mends.length === 0 && !meant) return null;
  return (
    <div className="mends">
      {mends.map(({ kind, apply }) => (
        <EditButton key={kind} label={MENDS[kind][1]} title={MENDS[kind][1]} scene={scene} edit={apply}>
          {MENDS[kind][0]}
        </EditButton>
      ))}
      {!holds && isOffered(check) && <Offers scene={scene} finding={finding} />}
      {!holds && (
        <button
          type="button"
          className="small-button"
          title="Accepts this finding; it comes back if what the check says changes"
          onClick={() =>
            perform(desk, 'Accept a finding', acceptFinding, { finding: { check, riders, found: words, why: '' } })
          }
        >
          meant so
        </button>
      )}
      {meant && (
        <label className="meant-why">
          <span title="Why this is meant so; it is in the scene’s file, and the command line says it">Reason</span>
          <TextField
            label="Reason"
            value={meant.why}
            onCommit={(why) =>
              perform(desk, 'Change the reason', acceptFinding, { finding: { check, riders, found: words, why } })
            }
          />
        </label>
      )}
      {meant && (
        <button
          type="button"
          className="small-button"
          onClick={() => perform(desk, 'Reopen a finding', reopenFinding, { finding: { check, riders } })}
        >
          a finding again
        </button>
      )}
    </div>
  );
}
