import { Progress } from '@mantine/core';
import { useEffect, useMemo, useState, type CSSProperties, type KeyboardEvent } from 'react';
import { Link, useLocation, useSearchParams } from 'react-router';
import {
  FORMAT_GROUPS,
  FORMATS,
  formatById,
  sentFrames,
  keptOutput,
  lostIn,
  loopLength,
  type FormatGroup,
  type Output,
  type Scene,
  type SeamFinding,
} from '@pace-line/core';
import { useDocumentState } from '../document/index.ts';
import { FindField } from '../find/FindField.tsx';
import { useArrival } from '../look/use-arrival.ts';
import { Wordmark } from '../look/Wordmark.tsx';
import { plainDirection } from '../words/plain.ts';
import { useOpenScene } from '../scene/context.ts';
import { useChecks } from '../scene/use-checks.ts';
import { CopyLink } from './CopyLink.tsx';
import { Facts } from './Facts.tsx';
import { OptionFields } from './OptionFields.tsx';
import { Embedding } from './Embedding.tsx';
import { Sets } from './sets/Sets.tsx';
import { useSentScene } from './sets/use-sent-scene.ts';
import type { Output as WrittenOutput } from '../jobs/index.ts';
import { DeskPicture } from './stage/DeskPicture.tsx';
import { OutputView } from './stage/OutputView.tsx';
import { useStage, type StageState } from './stage/use-stage.ts';
import { Taking } from './Taking.tsx';
import { useWriting, type Options, type Writing } from './use-writing.ts';
import './send.css';

const findOnSend = async () => (await import('./FindOnSend.tsx')).FindOnSend;

/** Choose a format and its options; see the real output playing beside its size and its measured error. */
export function SendView() {
  const { id } = useOpenScene();
  const heading = useArrival();
  const asked = useSearchParams()[0].get('format');
  const scene = useDocumentState((state) => state.committed);
  const [formatId, setFormatId] = useState(() => formatById(asked ?? '')?.id ?? FORMATS[0]?.id ?? '');
  // Asked for by its address while the view is open, it is chosen.
  const { key } = useLocation();
  const [lastKey, setLastKey] = useState(key);
  if (key !== lastKey) {
    setLastKey(key);
    if (asked !== null && formatById(asked)) setFormatId(asked);
  }
  const [given, setGiven] = useState<Record<string, Options>>({});
  const format = formatById(formatId);
  const options = useMemo(() => ({ ...format?.options.parse({}), ...given[formatId] }), [format, given, formatId]);
  const sent = useSentScene(scene, formatId === 'scene' || options['carry'] === true);
  const result = useWriting(sent, formatId, options);
  const stage = useStage();
  const show = ({ format: id, options: kept }: Output): void => {
    setFormatId(id);
    setGiven({ ...given, [id]: kept });
  };
  useEffect(() => {
    document.title = plainDirection(`Send ${scene.name} · Pace Line`);
  }, [scene.name]);
  if (!format) return null;
  return (
    <main className="send">
      <header className="top-bar">
        <Link to="/" className="home-link" aria-label="To the Shelf">
          <Wordmark small />
        </Link>
        <h1 ref={heading} tabIndex={-1} className="send-title">
          Send “{scene.name}”
        </h1>
        <span className="spacer" />
        <FindField panel={findOnSend} />
        <CopyLink scene={scene} />
        <Link className="bar-button" to={`/scene/${id}`}>
          Back to the Desk
        </Link>
      </header>
      <div className="send-body">
        <section className="send-formats" aria-label="Formats">
          <h2>Format</h2>
          <FormatList chosen={formatId} onChoose={setFormatId} />
        </section>
        <section className="send-choice" aria-label="Options">
          <h2>{format.name}</h2>
          <p className="format-about">{format.about}</p>
          <OptionFields
            key={formatId}
            scene={scene}
            format={format}
            options={options}
            onChange={(change) => setGiven({ ...given, [formatId]: { ...given[formatId], ...change } })}
          />
          <Notes
            scene={scene}
            lost={lostIn(scene, format, options)}
            notes={[...(format.advice ?? []), ...(format.notes?.(scene, options) ?? [])]}
          />
          <Sets scene={scene} output={keptOutput(format, options)} onShow={show} />
        </section>
        <Result key={formatId} stage={stage} scene={sent} format={formatId} options={options} {...result} />
      </div>
    </main>
  );
}

/** The formats in the order in which they are listed. */
const LISTED = FORMAT_GROUPS.flatMap((group) => FORMATS.filter((one) => one.group === group));

/** Arrows choose the next format, or the one before. */
function goOn(event: KeyboardEvent<HTMLElement>, chosen: string, onChoose: (id: string) => void): void {
  const way = { ArrowDown: 1, ArrowRight: 1, ArrowUp: -1, ArrowLeft: -1 }[event.key];
  if (way === undefined) return;
  event.preventDefault();
  const next = LISTED[(LISTED.findIndex(({ id }) => id === chosen) + way + LISTED.length) % LISTED.length];
  if (!next) return;
  onChoose(next.id);
  event.currentTarget.querySelector<HTMLElement>(`[data-format="${next.id}"]`)?.focus();
}

function FormatList({ chosen, onChoose }: { chosen: string; onChoose: (id: string) => void }) {
  return (
    <div className="format-list" role="group" aria-label="Format" onKeyDown={(event) => goOn(event, chosen, onChoose)}>
      {FORMAT_GROUPS.map((group) => (
        <Formats key={group} group={group} chosen={chosen} onChoose={onChoose} />
      ))}
    </div>
  );
}

const GROUPS: Readonly<Record<FormatGroup, string>> = {
  web: 'For pages',
  screens: 'As pixels, for screens and messages',
  data: 'For programs and paper',
};

/** What a format is best for: what its description says after the colon. */
function bestFor(about: string): string {
  const colon = about.lastIndexOf(': ');
  const use = (colon < 0 ? about : about.slice(colon + 2)).replace(/\.$/, '');
  return use.charAt(0).toUpperCase() + use.slice(1);
}

interface FormatsProps {
  readonly group: FormatGroup;
  readonly chosen: string;
  readonly onChoose: (id: string) => void;
}

function Formats({ group, chosen, onChoose }: FormatsProps) {
  return (
    <>
      <h3 className="format-group">{GROUPS[group]}</h3>
      {FORMATS.filter((one) => one.group === group).map((one) => (
        <button
          key={one.id}
          type="button"
          className="format-card"
          title={one.about}
          aria-label={one.name}
          aria-pressed={one.id === chosen}
          data-format={one.id}
          // One stop for the keyboard: from there arrows go to the others.
          tabIndex={one.id === chosen ? 0 : -1}
          onClick={() => onChoose(one.id)}
        >
          {one.name}
          <small>{bestFor(one.about)}</small>
        </button>
      ))}
    </>
  );
}

/** What the format leaves out, and whether the loop closes. */
interface NotesProps {
  readonly scene: Scene;
  readonly lost: readonly string[];
  readonly notes: readonly string[];
}

function Notes({ scene, lost, notes }: NotesProps) {
  const { found } = useChecks(scene);
  const wrong = found.filter(({ holds }) => !holds);
  const seams = wrong.filter(({ check, figures }) => check === 'seam' && !(figures as SeamFinding).closes);
  const others = wrong.filter(({ check }) => check !== 'seam' && check !== 'closing');
  const nameOf = (id: string): string | undefined => scene.riders.find((rider) => rider.id === id)?.name;
  return (
    <>
      {lost.length > 0 && (
        <div className="send-note">
          Left out in this format:
          <ul>
            {lost.map((text) => (
              <li key={text}>{text}</li>
            ))}
          </ul>
        </div>
      )}
      {notes.map((text) => (
        <p key={text} className="send-note">
          {text}
        </p>
      ))}
      {seams.length > 0 && (
        <p className="send-note bad" role="note">
          ! The loop does not close for {seams.map(({ riders }) => nameOf(riders[0] ?? '')).join(', ')}: it jumps back
          at its end.
        </p>
      )}
      {others.map(({ check, label, riders, words }) => (
        <p key={`${check} ${riders.join(' ')}`} className="send-note bad" role="note">
          ! {label}, <bdi>{riders.map(nameOf).join(', ')}</bdi>: {words}.
        </p>
      ))}
    </>
  );
}

/** The Desk's own picture, until there is an output to be looked at. */
const Meanwhile = ({ scene, background }: { readonly scene: Scene; readonly background: boolean }) => (
  <div className="send-stage meanwhile">
    <div className="output-view" style={{ '--ratio': scene.canvas.width / scene.canvas.height } as CSSProperties}>
      <DeskPicture scene={scene} time={0} side="desk" background={background} />
    </div>
  </div>
);

interface ResultProps {
  readonly scene: Scene;
  readonly stage: StageState;
  readonly format: string;
  readonly options: Options;
  readonly writing: Writing;
  readonly cancel: () => void;
  readonly again: () => void;
}

function Result({ scene, stage, format, options, writing, cancel, again }: ResultProps) {
  // While it is written anew, what was written last stands there.
  const [last, setLast] = useState<WrittenOutput>();
  const made = writing.state === 'done' && writing.format === format ? writing.output : undefined;
  if (made && made !== last) setLast(made);
  const shown = made ?? (writing.state === 'writing' ? last : undefined);
  return (
    <section className="send-result" aria-label="Result">
      <div className="send-facts">
        <Facts writing={writing} length={loopLength(scene.clock)} frames={sentFrames(scene.clock)} />
        <span className="spacer" />
        {writing.state === 'writing' && (
          <button type="button" className="bar-button" onClick={cancel}>
            Cancel
          </button>
        )}
        {(writing.state === 'stopped' || writing.state === 'failed') && (
          <button type="button" className="bar-button" onClick={again}>
            Write it again
          </button>
        )}
        {writing.state === 'done' && <Taking output={writing.output} />}
      </div>
      {writing.state === 'writing' && <Progress value={writing.share * 100} aria-label="Writing" />}
      {writing.state === 'failed' && <p role="alert">It could not be written: {writing.message}</p>}
      {(writing.state === 'writing' || writing.state === 'done') && !shown && (
        <Meanwhile scene={scene} background={options['background'] !== false} />
      )}
      {shown && (
        <div className="send-shown" aria-busy={writing.state === 'writing'}>
          <OutputView
            output={shown}
            format={format}
            scene={scene}
            background={options['background'] !== false}
            stage={stage}
          />
          <Embedding output={shown} format={format} scene={scene} options={options} />
        </div>
      )}
    </section>
  );
}
