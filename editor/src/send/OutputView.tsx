import { useEffect, useState } from 'react';
import type { Output, WrittenFile } from '../jobs/index.ts';
import { PageFrame } from './PageFrame.tsx';
import { previewOf } from './preview.ts';
import { TextOutput } from './TextOutput.tsx';

interface OutputViewProps {
  readonly output: Output;
  readonly format: string;
  readonly ratio: number;
}

/** The real output: playing in an image, or in a frame that has no origin; data as its first lines. */
export function OutputView({ output, format, ratio }: OutputViewProps) {
  const [chosen, setChosen] = useState(0);
  const { files } = output;
  const page = usePreview(files, format);
  const file = files[Math.min(chosen, files.length - 1)];
  if (!file) return null;
  return (
    <>
      {page !== undefined && <PageFrame page={page} ratio={ratio} />}
      {file.type.startsWith('image/') && page === undefined && <ImageOutput blob={file.blob} ratio={ratio} />}
      {file.type === 'video/webm' && <FilmOutput blob={file.blob} ratio={ratio} />}
      {file.type === 'application/zip' && <p className="muted">An archive of pictures: save it to unpack it.</p>}
      {files.length > 1 && (
        <div className="segments" role="group" aria-label="Files of the output">
          {files.map(({ name }, i) => (
            <button key={name} type="button" aria-pressed={i === chosen} onClick={() => setChosen(i)}>
              {name}
            </button>
          ))}
        </div>
      )}
      {isText(file) && <TextOutput blob={file.blob} isShort={page !== undefined} />}
      {file.type === 'application/pdf' && <p className="muted">A page to be printed: save it to look at it.</p>}
    </>
  );
}

const isText = ({ type }: WrittenFile): boolean =>
  (type.startsWith('text/') && type !== 'text/html') || type === 'application/json';

/** The page in which an output is shown playing; undefined where it is none. */
function usePreview(files: readonly WrittenFile[], format: string): string | undefined {
  const [page, setPage] = useState<string>();
  useEffect(() => {
    let isCurrent = true;
    setPage(undefined);
    void previewOf(files, format).then((made) => isCurrent && setPage(made));
    return () => {
      isCurrent = false;
    };
  }, [files, format]);
  return page;
}

function ImageOutput({ blob, ratio }: { blob: Blob; ratio: number }) {
  const url = useUrl(blob);
  if (!url) return null;
  return (
    <div className="output-view" style={{ aspectRatio: String(ratio) }}>
      <img alt="The loop as it will be" src={url} />
    </div>
  );
}

function FilmOutput({ blob, ratio }: { blob: Blob; ratio: number }) {
  const url = useUrl(blob);
  if (!url) return null;
  return (
    <div className="output-view" style={{ aspectRatio: String(ratio) }}>
      <video aria-label="The film as it will be" src={url} autoPlay loop muted controls />
    </div>
  );
}

/** An address for a file, as long as it is shown. */
function useUrl(blob: Blob): string | null {
  const [url, setUrl] = useState<string | null>(null);
  useEffect(() => {
    const made = URL.createObjectURL(blob);
    setUrl(made);
    return () => URL.revokeObjectURL(made);
  }, [blob]);
  return url;
}
