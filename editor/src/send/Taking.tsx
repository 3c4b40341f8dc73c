import type { Output } from '../jobs/index.ts';
import { warn } from '../look/notices.tsx';
import { saveBlob } from '../platform/files.ts';
import { zipped } from '../platform/zip.ts';
import { copyText } from './copy.ts';
import { isText } from './texts.ts';
import { reasonOf } from '../words/reasons.ts';

/** Characters that a clipboard is asked to take. */
const MOST_COPIED = 20_000_000;

/** What is done with an output: its text copied, its file saved, or several of them in one archive. */
export function Taking({ output: { files } }: { output: Output }) {
  const [first] = files;
  if (!first) return null;
  const stem = first.name.replace(/\..*$/, '');
  const copy = async (): Promise<void> => copyText(await first.blob.text(), first.name);
  const save = async (): Promise<void> => {
    try {
      if (files.length === 1) saveBlob(first.name, first.blob);
      else saveBlob(`${stem}.zip`, await zipped(files));
    } catch (error) {
      warn('It could not be saved', reasonOf(error));
    }
  };
  return (
    <>
      {isText(first) && first.blob.size <= MOST_COPIED && (
        <button type="button" className="bar-button" onClick={() => void copy()}>
          Copy
        </button>
      )}
      <button type="button" className="bar-button strong" onClick={() => void save()}>
        Save {files.length === 1 ? first.name : `${stem}.zip`}
      </button>
    </>
  );
}
