import { formatById, readScene } from '@pace-line/core';
import { writeOutput } from '../jobs/index.ts';

/** What the command line asks for: a scene’s text, and outputs of pixels with all their options. */
interface Asked {
  readonly scene: string;
  readonly outputs: readonly { readonly format: string; readonly options: Readonly<Record<string, unknown>> }[];
}

/** The command line's own place on this server; nobody else knows it. */
const place = `/${location.hash.slice(1)}`;

const told = (what: string, body: BodyInit): Promise<Response> => fetch(`${place}/${what}`, { method: 'POST', body });

/** ms between two words about how far it is. */
const OFTEN = 500;

/** Writes what is asked for and hands over each file: the same program as in the editor's own Send. */
async function paint(): Promise<void> {
  const asked = (await (await fetch(`${place}/asked`)).json()) as Asked;
  const read = readScene(asked.scene);
  if (!read.ok) throw new Error('the scene cannot be read');
  let last = 0;
  for (const [i, { format: id, options }] of asked.outputs.entries()) {
    const format = formatById(id);
    if (!format) throw new Error(`there is no format "${id}"`);
    const ended = await writeOutput(read.scene, format, options, {
      isMeasured: false,
      onProgress: (share) => {
        if (performance.now() - last < OFTEN) return;
        last = performance.now();
        void told('progress', String((i + share) / asked.outputs.length));
      },
    }).end;
    if (ended.state === 'failed') throw new Error(ended.message);
    if (ended.state !== 'done') throw new Error('it was given up');
    for (const { name, blob } of ended.result.files) await told(`file/${i}/${encodeURIComponent(name)}`, blob);
  }
  await told('done', '');
}

paint().catch((error: unknown) => told('failed', error instanceof Error ? error.message : String(error)));
