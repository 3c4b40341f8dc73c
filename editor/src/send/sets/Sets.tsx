import { addSet, freeName, freshIds, type Output, type Scene } from '@pace-line/core';
import { useDocument } from '../../document/index.ts';
import { SetCard } from './SetCard.tsx';

interface SetsProps {
  readonly scene: Scene;
  /** What is shown: it can be kept. */
  readonly output: Output;
  /** Shows an output as it would be written. */
  readonly onShow: (output: Output) => void;
}

/** The sets that the scene holds, each sent by one press; what is shown is kept in one of them, or begins another. */
export function Sets({ scene, output, onShow }: SetsProps) {
  const doc = useDocument();
  const begin = (): void => {
    const id = freshIds(scene)('set');
    const name = freeName(
      scene.sets.map((one) => one.name),
      'Set 1',
    );
    doc.do('Add to set', (before) => addSet(before, { id, name, output }));
  };
  return (
    <>
      <div className="sets-head">
        <h2>Sets</h2>
        <button
          type="button"
          className="small-button"
          title="Keeps this format and its options with the scene: all of a set are sent again at once"
          onClick={begin}
        >
          Save as a set
        </button>
      </div>
      {scene.sets.length > 0 && (
        <ul className="output-sets" aria-label="Sets">
          {scene.sets.map((set) => (
            <SetCard key={set.id} scene={scene} output={output} set={set} onShow={onShow} />
          ))}
        </ul>
      )}
    </>
  );
}
