import { useEffect, useState } from 'react';
import type { Output } from '../jobs/index.ts';

/** Characters of a text that are shown. */
const SHOWN_TEXT = 4000;

/** The real output: playing in an image or in a frame without scripts; a table of data as its first lines. */
export function OutputView({ output, ratio }: { output: Output; ratio: number }) {
  const [file] = output.files;
  const [url, setUrl] = useState<string | null>(null);
  const isText = file?.type.startsWith('text/') === true && file.type !== 'text/html';
  useEffect(() => {
    if (!file || isText) return;
    const made = URL.createObjectURL(file.blob);
    setUrl(made);
    return () => URL.revokeObjectURL(made);
  }, [file, isText]);
  if (!file) return null;
  if (isText) return <TextOutput blob={file.blob} />;
  if (!url) return null;
  return (
    <div className="output-view" style={{ aspectRatio: String(ratio) }}>
      {file.type === 'text/html' ? (
        <iframe title="The page as it will be" src={url} sandbox="" />
      ) : (
        <img alt="The loop as it will be" src={url} />
      )}
    </div>
  );
}

function TextOutput({ blob }: { blob: Blob }) {
  const [text, setText] = useState('');
  useEffect(() => {
    let isCurrent = true;
    void blob
      .slice(0, SHOWN_TEXT)
      .text()
      .then((read) => isCurrent && setText(read));
    return () => {
      isCurrent = false;
    };
  }, [blob]);
  return (
    <pre className="output-text figures" tabIndex={0} aria-label="The first lines of the output">
      {text}
    </pre>
  );
}
