import { formatById, type Scene } from '@pace-line/core';
import type { Output } from '../jobs/index.ts';
import { copyText } from './copy.ts';
import type { Options } from './use-writing.ts';

interface EmbeddingProps {
  readonly output: Output;
  readonly format: string;
  readonly scene: Scene;
  readonly options: Options;
}

/** What puts the output into a page, to be copied. */
export function Embedding({ output, format, scene, options }: EmbeddingProps) {
  const text = formatById(format)?.embed?.(
    scene,
    output.files.map(({ name }) => name),
    options,
  );
  if (text === undefined) return null;
  return (
    <div className="embedding">
      <pre className="figures" tabIndex={0} aria-label="Embed code">
        {text}
      </pre>
      <button type="button" className="bar-button" onClick={() => void copyText(text, 'The embed code')}>
        Copy embed code
      </button>
    </div>
  );
}
