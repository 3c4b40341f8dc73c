import { parseArgs } from 'node:util';
import { UsageError } from './errors.ts';
import { exportScene } from './export.ts';
import { sample } from './sample.ts';
import { formatsHelp } from './options.ts';
import { loadScene } from './scene.ts';

const USAGE = `pace-line: guide paths, pace and loops from the command line

  pace-line sample FILE [--fps N | --times 0,0.5,1] [--rider ID] [--format csv|json]
  pace-line export FILE --to FORMAT --out PATH [--set NAME=VALUE …]
  pace-line validate FILE

formats
`;

interface Output {
  readonly out: (text: string) => void;
  readonly err: (text: string) => void;
}

const OPTIONS = {
  fps: { type: 'string' },
  times: { type: 'string' },
  rider: { type: 'string' },
  format: { type: 'string' },
  to: { type: 'string' },
  out: { type: 'string' },
  set: { type: 'string', multiple: true },
  help: { type: 'boolean', short: 'h' },
} as const;

/** What a terminal would take for orders, or for a change of direction. */
const ORDERS = /[\u0000-\u001f\u007f-\u009f\u200e\u200f\u202a-\u202e\u2066-\u2069]/g;

/** A line for the terminal: names and ids are anyone's. */
const printable = (line: string): string => line.replace(/\s*\n\s*/g, ' ').replace(ORDERS, '\ufffd');

/** Runs one command; gives the exit code: 0, or 2 with one line on standard error. */
export async function run(argv: readonly string[], { out, err }: Output): Promise<number> {
  try {
    const { values, positionals } = parseArgs({ args: [...argv], options: OPTIONS, allowPositionals: true });
    const [name, file, extra] = positionals;
    if (values.help || name === 'help') {
      out(`${USAGE}${formatsHelp()}\n`);
      return 0;
    }
    if (extra !== undefined) throw new UsageError(`one file at a time: "${extra}" is too much`);
    switch (name) {
      case 'sample':
        out(sample(loadScene(file), values));
        return 0;
      case 'export':
        for (const path of await exportScene(loadScene(file), values.to, values.out, values.set ?? []))
          out(`${path}\n`);
        return 0;
      case 'validate': {
        const scene = loadScene(file);
        const words = `${file}: valid, "${scene.name}", ${scene.guides.length} guides, ${scene.riders.length} riders`;
        out(`${printable(words)}\n`);
        return 0;
      }
      default:
        throw new UsageError(name ? `there is no command "${name}"; try --help` : 'which command? try --help');
    }
  } catch (error) {
    err(`pace-line: ${printable(error instanceof Error ? error.message : String(error))}\n`);
    return 2;
  }
}
