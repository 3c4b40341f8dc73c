import { Progress, Switch, TextInput } from '@mantine/core';
import { useEffect, useMemo, useState } from 'react';
import { Link } from 'react-router';
import type { z } from 'zod';
import { checkSeam, FORMATS, formatById, frameCount, loopLength, type Format } from '@pace-line/core';
import { useDocumentState } from '../document/index.ts';
import { Wordmark } from '../look/Wordmark.tsx';
import { saveFile } from '../platform/files.ts';
import { writeOutput, type Output } from '../workers/index.ts';
import './send.css';

type Options = Record<string, unknown>;
type Writing =
  | { readonly state: 'writing'; readonly share: number }
  | { readonly state: 'done'; readonly output: Output }
  | { readonly state: 'stopped' }
  | { readonly state: 'failed'; readonly message: string };

/** Choose a format and its options; see the real output playing beside its size and its measured error. */
export function SendView({ id }: { id: string }) {
  const scene = useDocumentState((state) => state.committed);
  const [formatId, setFormatId] = useState(FORMATS[0]?.id ?? '');
  const [given, setGiven] = useState<Record<string, Options>>({});
  const format = formatById(formatId);
  const options = useMemo(() => ({ ...format?.options.parse({}), ...given[formatId] }), [format, given, formatId]);
  const { writing, cancel, again } = useWriting(scene, formatId, options);
  const seams = useMemo(() => checkSeam(scene).filter((one) => !one.closes), [scene]);
  useEffect(() => {
    document.title = `Send ${scene.name} · Pace Line`;
  }, [scene.name]);
  if (!format) return null;
  const drops = format.drops(scene);
  return (
    <main className="send">
      <header className="top-bar">
        <Link to="/" className="home-link" aria-label="To the Shelf">
          <Wordmark small />
        </Link>
        <h1 className="send-title">Send “{scene.name}”</h1>
        <span className="spacer" />
        <Link className="bar-button" to={`/scene/${id}`}>
          Back to the Desk
        </Link>
      </header>
      <div className="send-body">
        <section className="send-choice" aria-label="Format and options">
          <h2>As</h2>
          <div className="format-list" role="group" aria-label="Format">
            {FORMATS.map((one) => (
              <button
                key={one.id}
                type="button"
                className="format-card"
                aria-pressed={one.id === formatId}
                onClick={() => setFormatId(one.id)}
              >
                <strong>{one.name}</strong>
                <span className="muted">.{one.extension}</span>
                <span className="format-about">{one.about}</span>
              </button>
            ))}
          </div>
          <h2>Options</h2>
          <OptionFields
            format={format}
            options={options}
            onChange={(change) => setGiven({ ...given, [formatId]: { ...given[formatId], ...change } })}
          />
          {drops.map((text) => (
            <p key={text} className="send-note">
              {text}
            </p>
          ))}
          {seams.length > 0 && (
            <p className="send-note bad" role="note">
              ! The loop does not close for{' '}
              {seams.map((one) => scene.riders.find((rider) => rider.id === one.rider)?.name).join(', ')}: it jumps back
              at its end.
            </p>
          )}
        </section>
        <section className="send-result" aria-label="Result">
          <div className="send-facts">
            <Facts writing={writing} length={loopLength(scene.clock)} frames={frameCount(scene.clock)} />
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
            <button
              type="button"
              className="bar-button strong"
              disabled={writing.state !== 'done'}
              onClick={() => {
                if (writing.state === 'done')
                  for (const file of writing.output.files) saveFile(file.name, file.type, file.text);
              }}
            >
              Save {writing.state === 'done' ? writing.output.files[0]?.name : 'file'}
            </button>
          </div>
          {writing.state === 'writing' && <Progress value={writing.share * 100} aria-label="Writing" />}
          {writing.state === 'failed' && <p role="alert">It could not be written: {writing.message}</p>}
          {writing.state === 'done' && (
            <OutputView output={writing.output} ratio={scene.canvas.width / scene.canvas.height} />
          )}
        </section>
      </div>
    </main>
  );
}

/** Writes anew whenever what is sent changes; what was under way is given up. */
function useWriting(scene: Parameters<typeof writeOutput>[0], formatId: string, options: Options) {
  const [writing, setWriting] = useState<Writing>({ state: 'writing', share: 0 });
  const [turn, setTurn] = useState(0);
  const [stop, setStop] = useState<{ run: () => void }>({ run: () => undefined });
  useEffect(() => {
    let current = true;
    const begun = setTimeout(() => {
      setWriting({ state: 'writing', share: 0 });
      const job = writeOutput(scene, formatId, options, (share) => {
        if (current) setWriting((now) => (now.state === 'writing' ? { state: 'writing', share } : now));
      });
      setStop({
        run: () => {
          job.cancel();
          current = false;
          setWriting({ state: 'stopped' });
        },
      });
      job.result.then(
        (output) => current && setWriting({ state: 'done', output }),
        (error: unknown) =>
          current && setWriting({ state: 'failed', message: error instanceof Error ? error.message : String(error) }),
      );
    }, 150);
    return () => {
      current = false;
      clearTimeout(begun);
    };
  }, [scene, formatId, options, turn]);
  return { writing, cancel: stop.run, again: () => setTurn((n) => n + 1) };
}

function Facts({ writing, length, frames }: { writing: Writing; length: number; frames: number }) {
  if (writing.state !== 'done') return <p className="muted">{writing.state === 'writing' ? 'Writing…' : 'Stopped.'}</p>;
  const { size, error, looks, keys } = writing.output;
  return (
    <dl className="facts">
      <div>
        <dt>Size</dt>
        <dd className="figures">
          {size < 100_000 ? `${(size / 1000).toFixed(1)} kB` : `${Math.round(size / 1000)} kB`}
        </dd>
      </div>
      <div>
        <dt>Off the Desk by at most</dt>
        <dd className="figures" title={`The largest displacement of any art box’s corners, at ${looks} times`}>
          {error.toFixed(2)} px
        </dd>
      </div>
      <div>
        <dt>Keys</dt>
        <dd className="figures">{keys}</dd>
      </div>
      <div>
        <dt>Loop</dt>
        <dd className="figures">
          {length.toFixed(2)} s · {frames} frames
        </dd>
      </div>
    </dl>
  );
}

/** The real output, playing: an image for drawings, a frame without scripts for pages. */
function OutputView({ output, ratio }: { output: Output; ratio: number }) {
  const [file] = output.files;
  const [url, setUrl] = useState<string | null>(null);
  useEffect(() => {
    if (!file) return;
    const made = URL.createObjectURL(new Blob([file.text], { type: file.type }));
    setUrl(made);
    return () => URL.revokeObjectURL(made);
  }, [file]);
  if (!file || !url) return null;
  const isPage = file.type === 'text/html';
  return (
    <div className="output-view" style={{ aspectRatio: String(ratio) }}>
      {isPage ? (
        <iframe title="The page as it will be" src={url} sandbox="" />
      ) : (
        <img alt="The loop as it will be" src={url} />
      )}
    </div>
  );
}

interface OptionFieldsProps {
  readonly format: Format;
  readonly options: Options;
  readonly onChange: (change: Options) => void;
}

/** Fields made from the format's options schema. */
function OptionFields({ format, options, onChange }: OptionFieldsProps) {
  return Object.entries(format.options.shape as Record<string, z.ZodType>).map(([key, field]) => {
    const label = field.description ?? key;
    const value = options[key];
    if (typeof value === 'boolean')
      return (
        <Switch
          key={key}
          label={label}
          checked={value}
          onChange={(event) => onChange({ [key]: event.currentTarget.checked })}
        />
      );
    const choices = choicesOf(field);
    if (choices)
      return (
        <div key={key} className="option">
          <span>{label}</span>
          <div className="segments" role="group" aria-label={label}>
            {choices.map((choice) => (
              <button
                key={choice}
                type="button"
                aria-pressed={choice === value}
                onClick={() => onChange({ [key]: choice })}
              >
                {choice}
              </button>
            ))}
          </div>
        </div>
      );
    return (
      <TextInput
        key={key}
        size="xs"
        label={label}
        value={typeof value === 'string' ? value : ''}
        onChange={(event) => onChange({ [key]: event.currentTarget.value })}
      />
    );
  });
}

/** The choices of an enum, looking through its default. */
function choicesOf(field: z.ZodType): string[] | undefined {
  const inner = (field.def as { innerType?: z.ZodType }).innerType ?? field;
  const { entries } = inner.def as { entries?: Record<string, string> };
  return entries && Object.values(entries);
}
