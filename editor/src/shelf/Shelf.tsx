import { IconFolderOpen, IconHelp, IconPlus } from '@tabler/icons-react';
import { useDeferredValue, useEffect } from 'react';
import { ErrorBoundary } from 'react-error-boundary';
import { Link, useNavigate } from 'react-router';
import useSWR, { useSWRConfig } from 'swr';
import { collectUnused, listCards, onShelfChange, whyNotKept } from '../document/index.ts';
import { FindField } from '../find/FindField.tsx';
import { warn } from '../look/notices.tsx';
import { SchemeSwitch } from '../look/SchemeSwitch.tsx';
import { useArrival } from '../look/use-arrival.ts';
import { Wordmark } from '../look/Wordmark.tsx';
import { isSceneFile, pickFiles } from '../platform/files.ts';
import { DeletedScenes } from './DeletedScenes.tsx';
import { BrokenCard, KeptCard } from './KeptCard.tsx';
import { isCarrier, openSceneFile, startNew } from '../scene/new-scene.ts';
import { SampleCard } from './SampleCard.tsx';
import { openSample, SAMPLES, type Sample } from '../scene/samples.ts';
import { useDroppedFiles } from './use-dropped-files.ts';
import './shelf.css';

/** Opens scenes of files; gives the last one's id, undefined where none was a scene. */
async function openFiles(files: readonly File[]): Promise<string | undefined> {
  let last: string | undefined;
  for (const file of files) {
    if (isSceneFile(file) || (await isCarrier(file))) last = (await openSceneFile(file)) ?? last;
    else
      warn(
        `${file.name} was not opened`,
        'The Shelf takes Pace Line scenes (.paceline.json), and sent files that carry theirs. Drawings are brought in on the Desk.',
      );
  }
  return last;
}

/** The scenes kept in this browser, the samples, open a file, start new. */
export function Shelf() {
  const navigate = useNavigate();
  // What was deleted long ago, and pixels that nothing has shown for long, go now and then.
  useEffect(() => void collectUnused().catch(() => undefined), []);
  useEffect(() => {
    document.title = 'Shelf · Pace Line';
  }, []);
  const go = (id: string | undefined): void => {
    if (id !== undefined) void navigate(`/scene/${id}`);
  };
  const open = (files: readonly File[]): void => void openFiles(files).then(go);
  useDroppedFiles(open);
  // What is below the kept scenes is shown once their number is known: nothing moves away under a hand.
  const { data: cards, error } = useSWR<unknown, unknown>('shelf', listCards);
  return (
    <main className="shelf">
      <Head onFiles={open} onNew={() => void startNew().then(go)} />
      <KeptScenes />
      {(cards !== undefined || error !== undefined) && (
        <>
          <DeletedScenes />
          <Samples onOpen={(sample) => void openSample(sample).then(go)} />
        </>
      )}
    </main>
  );
}

const findOnShelf = async () => (await import('./FindOnShelf.tsx')).FindOnShelf;

interface HeadProps {
  readonly onFiles: (files: readonly File[]) => void;
  readonly onNew: () => void;
}

function Head({ onFiles, onNew }: HeadProps) {
  const heading = useArrival();
  const pick = async (): Promise<void> => onFiles(await pickFiles('.json,.paceline.json,.svg,.html,.js,.jsx,.css'));
  return (
    <header className="shelf-head">
      <h1 ref={heading} tabIndex={-1}>
        <Wordmark />
      </h1>
      <p className="muted">Draw the way, turn along it, shape the pace, send the loop.</p>
      <span className="spacer" />
      <FindField panel={findOnShelf} />
      <SchemeSwitch />
      <Link className="bar-button" to="/help">
        <IconHelp size={16} aria-hidden /> Help
      </Link>
      <button type="button" className="bar-button" onClick={() => void pick()}>
        <IconFolderOpen size={16} aria-hidden /> Open file…
      </button>
      <button type="button" className="bar-button strong" onClick={onNew}>
        <IconPlus size={16} aria-hidden /> New scene
      </button>
    </header>
  );
}

/** What is read anew when anything on the Shelf has changed. */
const isOfShelf = (key: unknown): boolean =>
  key === 'shelf' || key === 'deleted' || (Array.isArray(key) && key[0] === 'picture');

/** Cards that a first window shows. */
const FIRST = 16;

function KeptScenes() {
  const { data: cards } = useSWR('shelf', listCards);
  const { mutate } = useSWRConfig();
  useEffect(() => onShelfChange(() => void mutate(isOfShelf)), [mutate]);
  // Those that can be seen come first, the many below them when the page has time.
  const isWhole = useDeferredValue(cards !== undefined, false);
  const near = (isWhole ? cards : cards?.slice(0, FIRST)) ?? [];
  return (
    <section aria-labelledby="kept">
      <h2 id="kept">Saved in this browser</h2>
      {cards && <Unkept />}
      {cards && cards.length === 0 && (
        <p className="shelf-empty">
          Nothing yet. Start a new scene, open one of the samples below to take it apart, or drop a{' '}
          <code>.paceline.json</code> file here, or a sent file that carries its scene.
        </p>
      )}
      <ul className="card-grid">
        {near.map((card) => (
          <ErrorBoundary key={card.id} fallbackRender={() => <BrokenCard name={card.name} id={card.id} />}>
            <KeptCard card={card} />
          </ErrorBoundary>
        ))}
      </ul>
    </section>
  );
}

/** Says it where the browser keeps nothing. */
function Unkept() {
  const why = whyNotKept();
  if (why === undefined) return null;
  return (
    <p className="shelf-warning" role="alert">
      This browser does not let Pace Line store anything ({why.replace(/\.+$/, '')}). What you make lasts as long as
      this tab: save it as a file before you close it. A private window, or a setting for the data of sites, may be the
      reason.
    </p>
  );
}

function Samples({ onOpen }: { onOpen: (sample: Sample) => void }) {
  return (
    <section aria-labelledby="samples">
      <h2 id="samples">Samples from Lantern Quay</h2>
      <ul className="card-grid">
        {SAMPLES.map((sample) => (
          <SampleCard key={sample.file} sample={sample} onOpen={() => onOpen(sample)} />
        ))}
      </ul>
    </section>
  );
}
