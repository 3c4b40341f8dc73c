import { useEffect, useState } from 'react';
import { gzippedSize } from '../platform/zip.ts';
import { isText } from './texts.ts';
import type { Writing } from './use-writing.ts';

const kilobytes = (size: number): string =>
  size < 100_000 ? `${(size / 1000).toFixed(1)} kB` : `${Math.round(size / 1000)} kB`;

/** Size, measured error, keys and length of what was written. */
export function Facts({ writing, length, frames }: { writing: Writing; length: number; frames: number }) {
  const packed = usePacked(writing);
  if (writing.state !== 'done') return <p className="muted">{writing.state === 'writing' ? 'Writing…' : 'Stopped.'}</p>;
  const { size, error, keys } = writing.output;
  return (
    <dl className="facts">
      <Fact name="Size">{kilobytes(size)}</Fact>
      {packed !== undefined && (
        <Fact name="Compressed" title="What it weighs on its way, by gzip">
          {kilobytes(packed)}
        </Fact>
      )}
      {error && (
        <>
          <Fact
            name="Largest deviation"
            title={
              error.time === undefined
                ? 'Nothing in it moves'
                : `The largest displacement of any art box’s corners, at ${error.time.toFixed(2)} s`
            }
          >
            {error.px.toFixed(2)} px
          </Fact>
          <Fact name="Keyframes" title="A rider’s position, rotation and so on each have keyframes of their own">
            {keys}
          </Fact>
        </>
      )}
      <Fact name="Loop">{length.toFixed(2)} s</Fact>
      {/* Of what is drawn anew for each screen there are none. */}
      {!error && <Fact name="Frames">{frames}</Fact>}
    </dl>
  );
}

/** What an output weighs compressed, bytes; undefined until that is known. */
function usePacked(writing: Writing): number | undefined {
  const [packed, setPacked] = useState<number>();
  const output = writing.state === 'done' ? writing.output : undefined;
  useEffect(() => {
    let isCurrent = true;
    setPacked(undefined);
    // Pixels are compressed already.
    if (output?.files.every(isText))
      void gzippedSize(output.files).then(
        (size) => isCurrent && setPacked(size),
        () => undefined,
      );
    return () => {
      isCurrent = false;
    };
  }, [output]);
  return packed;
}

function Fact({ name, title, children }: { name: string; title?: string; children: React.ReactNode }) {
  return (
    <div>
      <dt>{name}</dt>
      <dd className="figures" title={title}>
        {children}
      </dd>
    </div>
  );
}
