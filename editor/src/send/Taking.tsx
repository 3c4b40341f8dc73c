import { useEffect } from 'react';
import type { Output } from '../jobs/index.ts';
import { copyText } from './copy.ts';
import { saveOutput, savedName } from './save.ts';
import { isText } from './texts.ts';

/** Characters that a clipboard is asked to take. */
const MOST_COPIED = 20_000_000;

/** What is done with an output: its text copied, its file saved, or several of them in one archive. */
export function Taking({ output: { files } }: { output: Output }) {
  const [first] = files;
  useEffect(() => {
    const onKeyDown = (event: KeyboardEvent): void => {
      if (!(event.ctrlKey || event.metaKey) || event.shiftKey || event.altKey || event.key.toLowerCase() !== 's')
        return;
      event.preventDefault();
      void saveOutput(files);
    };
    window.addEventListener('keydown', onKeyDown);
    return () => window.removeEventListener('keydown', onKeyDown);
  }, [files]);
  if (!first) return null;
  const copy = async (): Promise<void> => copyText(await first.blob.text(), first.name);
  return (
    <>
      {isText(first) && first.blob.size <= MOST_COPIED && (
        <button type="button" className="bar-button" onClick={() => void copy()}>
          Copy
        </button>
      )}
      <button
        type="button"
        className="bar-button strong"
        title={`${savedName(files)} (Ctrl S)`}
        onClick={() => void saveOutput(files)}
      >
        Save {savedName(files)}
      </button>
    </>
  );
}
