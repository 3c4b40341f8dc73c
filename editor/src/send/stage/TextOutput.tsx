import { useEffect, useState } from 'react';

/** Characters of a text that are shown. */
const SHOWN_TEXT = 4000;

/** The first lines of a text. */
export function TextOutput({ blob, isShort }: { blob: Blob; isShort: boolean }) {
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
    <pre
      className={`output-text figures ${isShort ? 'short' : ''}`}
      tabIndex={0}
      aria-label="The first lines of the output"
    >
      {text}
    </pre>
  );
}
