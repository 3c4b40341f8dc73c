import { IconX } from '@tabler/icons-react';
import { useState } from 'react';
import {
  deleteSet,
  dropOutput,
  formatById,
  isSameOutput,
  keepOutput,
  readOutput,
  renameSet,
  type Output,
  type OutputSet,
  type Scene,
} from '@pace-line/core';
import { useDocument } from '../../document/index.ts';
import { TextField } from '../../fields/index.ts';
import { offer, offerUndo } from '../../look/notices.tsx';
import { saveOutput } from '../save.ts';
import { archiveName, sendSet, warnFailed } from './send-set.ts';
import { wordsOfOutput } from './words.ts';

interface SetCardProps {
  readonly scene: Scene;
  /** What is shown: it can be kept. */
  readonly output: Output;
  readonly set: OutputSet;
  readonly onShow: (output: Output) => void;
}

/** One set: its name, what is in it, and one press that sends all of it. */
export function SetCard({ scene, output, set, onShow }: SetCardProps) {
  const doc = useDocument();
  const [isSending, setIsSending] = useState(false);
  const send = async (): Promise<void> => {
    setIsSending(true);
    const sent = await sendSet(scene, set);
    setIsSending(false);
    if (!sent) return;
    warnFailed(sent);
    const name = archiveName(scene, set);
    if (sent.files.length === 0) return;
    // Where the view has been left the file is offered, and does not come by itself.
    if (location.pathname.endsWith('/send')) await saveOutput(sent.files, name);
    else offer(`“${set.name}” was written`, 'Save it', () => saveOutput(sent.files, name), false);
  };
  const drop = (at: number): void => {
    const before = doc.state.committed;
    doc.do('Remove from set', (one) => dropOutput(one, { set: set.id, at }));
    offerBack(`${wordsOfOutput(set.outputs[at] ?? { format: '', options: {} })} was removed`, before);
  };
  const remove = (): void => {
    const before = doc.state.committed;
    doc.do('Delete set', (one) => deleteSet(one, { set: set.id }));
    offerBack(`“${set.name}” was deleted`, before);
  };
  const offerBack = (title: string, { sets }: Scene): void =>
    offerUndo(title, () => Promise.resolve(doc.do('Restore set', (one) => ({ ...one, sets }))));
  return (
    <li className="output-set">
      <div className="output-set-line">
        <TextField
          label={`Name of the set ${set.name}`}
          value={set.name}
          onCommit={(name) => doc.do('Rename set', (one) => renameSet(one, { set: set.id, name }))}
        />
        <button type="button" className="bar-button strong" disabled={isSending} onClick={() => void send()}>
          {isSending ? 'Writing' : `Send ${set.outputs.length === 1 ? 'it' : `all ${set.outputs.length}`}`}
        </button>
        <button
          type="button"
          className="small-button icon"
          aria-label={`Delete the set ${set.name}`}
          title="Delete the set"
          onClick={remove}
        >
          <IconX size={14} aria-hidden />
        </button>
      </div>
      <KeptOutputs outputs={set.outputs} onShow={onShow} onDrop={drop} />
      {!set.outputs.some((one) => isSameOutput(one, output)) && (
        <button
          type="button"
          className="small-button"
          disabled={keepOutput.can(scene, { set: set.id, output }) !== undefined}
          onClick={() => doc.do('Add to set', (before) => keepOutput(before, { set: set.id, output }))}
        >
          Add {formatById(output.format)?.name}
        </button>
      )}
    </li>
  );
}

interface KeptOutputsProps {
  readonly outputs: readonly Output[];
  readonly onShow: (output: Output) => void;
  readonly onDrop: (at: number) => void;
}

function KeptOutputs({ outputs, onShow, onDrop }: KeptOutputsProps) {
  return (
    <ul>
      {outputs.map((one, at) => {
        const words = wordsOfOutput(one);
        const read = readOutput(one);
        return (
          <li key={`${at}-${words}`} className="kept-output">
            <button
              type="button"
              className="kept-words"
              disabled={!read.ok}
              title={read.ok ? 'Shows it' : `It cannot be written here: ${read.message}`}
              onClick={() => onShow(one)}
            >
              {words}
            </button>
            <button
              type="button"
              className="small-button icon"
              aria-label={`Take ${words} out of the set`}
              title="Take it out"
              onClick={() => onDrop(at)}
            >
              <IconX size={14} aria-hidden />
            </button>
          </li>
        );
      })}
    </ul>
  );
}
