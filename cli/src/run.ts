import { readFileSync } from 'node:fs';
import { dirname, join } from 'node:path';
import { fileURLToPath } from 'node:url';
import { parseArgs } from 'node:util';
import { CHECK_IDS, check, checksHelp } from './check.ts';
import { UsageError } from './errors.ts';
import { exportAll, exportKept, exportScene, type Source } from './export.ts';
import { sample } from './sample.ts';
import { formatsHelp } from './options.ts';
import { toldProgress } from './progress.ts';
import { withFonts } from './fonts.ts';
import { withLimits } from './limits.ts';
import { loadScene } from './scene.ts';
import { onEachChange } from './watch.ts';

const USAGE = `pace-line: guide paths, pace and loops from the command line

  pace-line sample FILE [--fps N | --times 0,0.5,1] [--rider ID] [--format csv|json]
  pace-line export FILE --to FORMAT --out PATH [--set NAME=VALUE …] [--font FILE …] [--hash] [--progress] [--watch]
  pace-line export FILE --all --out FOLDER [--pixels] [--set [FORMAT.]NAME=VALUE …] [--hash] [--progress] [--watch]
  pace-line export FILE --kept SET --out FOLDER [--hash] [--progress] [--watch]
  pace-line check FILE [--json] [--only CHECK,CHECK] [--limits FILE]
  pace-line validate FILE
  pace-line --version

  FILE may be - for standard input, PATH - for standard output
  --only keeps to the checks it names
  --limits FILE checks against what that says instead of the scene: JSON as in its checks, such as {"clearance": 12}
  --progress says how far painting is, a line for each tenth of it; a terminal is told by itself
  --font FILE makes outlines of the texts in that font, for as often as it is given: TTF, OTF or WOFF
  --hash puts a hash of what a file holds into its name: another name as soon as anything in it is another

checks
${checksHelp()}

formats
`;

interface Output {
  readonly out: (text: string) => void;
  /** Takes what is no text; absent: as text. */
  readonly raw?: (bytes: Uint8Array) => void;
  readonly err: (text: string) => void;
  /** Whether somebody looks at standard error: then how far painting is stands on one line of it, until it is done. */
  readonly isWatched?: boolean;
}

const OPTIONS = {
  fps: { type: 'string' },
  times: { type: 'string' },
  rider: { type: 'string' },
  format: { type: 'string' },
  to: { type: 'string' },
  out: { type: 'string' },
  set: { type: 'string', multiple: true },
  all: { type: 'boolean' },
  pixels: { type: 'boolean' },
  kept: { type: 'string' },
  font: { type: 'string', multiple: true },
  hash: { type: 'boolean' },
  progress: { type: 'boolean' },
  watch: { type: 'boolean' },
  json: { type: 'boolean' },
  only: { type: 'string' },
  limits: { type: 'string' },
  help: { type: 'boolean', short: 'h' },
  version: { type: 'boolean' },
} as const;

/** What a terminal would take for orders, or for a change of direction. */
const ORDERS = /[\u0000-\u001f\u007f-\u009f\u200e\u200f\u202a-\u202e\u2066-\u2069]/g;

/** A line for the terminal: names and ids are anyone's. */
const printable = (line: string): string => line.replace(/\s*\n\s*/g, ' ').replace(ORDERS, '\ufffd');

/** The program's version, as its package has it. */
const VERSION = (
  JSON.parse(readFileSync(join(dirname(fileURLToPath(import.meta.url)), '..', 'package.json'), 'utf8')) as {
    readonly version: string;
  }
).version;

interface ExportValues {
  readonly to?: string | undefined;
  readonly out?: string | undefined;
  readonly set?: readonly string[] | undefined;
  readonly all?: boolean | undefined;
  readonly pixels?: boolean | undefined;
  readonly kept?: string | undefined;
  readonly font?: readonly string[] | undefined;
  readonly hash?: boolean | undefined;
  readonly progress?: boolean | undefined;
  readonly watch?: boolean | undefined;
}

/** Writes what was asked for. */
function writeOutputs(source: Source, { to, all, pixels, kept, out, set = [] }: ExportValues): Promise<void> {
  if ([to, all, kept].filter((one) => one !== undefined).length > 1)
    throw new UsageError('--to FORMAT, --all or --kept SET, not both');
  if (pixels && !all) throw new UsageError('--pixels goes with --all');
  if (kept !== undefined && set.length > 0)
    throw new UsageError('a set that is kept has its own options: --set does not go with --kept');
  if (kept !== undefined) return exportKept(source, kept, out);
  return all ? exportAll(source, out, set, pixels === true) : exportScene(source, to, out, set);
}

/** Writes a file's outputs, and with `--watch` again after each change of it, until it is ended; what is wrong then is said, and the next change waited for. */
async function exported(
  file: string | undefined,
  values: ExportValues,
  { out, err, raw, isWatched = false }: Output,
  until: AbortSignal | undefined,
): Promise<number> {
  if (values.watch && file === '-') throw new UsageError('standard input cannot be watched');
  const write = async (): Promise<void> => {
    const { onProgress, end } = toldProgress(err, values.progress === true, isWatched);
    const onWritten = (path: string): void => {
      end();
      out(`${printable(path)}\n`);
    };
    const onOut = (chunk: string | Uint8Array): void => {
      if (typeof chunk === 'string') out(chunk);
      else if (raw) raw(chunk);
      else out(Buffer.from(chunk).toString());
    };
    const onNote = (note: string): void => {
      end();
      err(`pace-line: ${printable(note)}\n`);
    };
    const isHashed = values.hash === true;
    const scene = withFonts(loadScene(file), values.font ?? [], onNote);
    try {
      await writeOutputs({ scene, file, isHashed, onWritten, onNote, onOut, onProgress }, values);
    } finally {
      end();
    }
  };
  await write();
  if (!values.watch || file === undefined) return 0;
  await onEachChange(file, () => write().catch((error: unknown) => err(lineOf(error))), until);
  return 0;
}

const lineOf = (error: unknown): string =>
  `pace-line: ${printable(error instanceof Error ? error.message : String(error))}\n`;

/** The checks that `--only` names; undefined where it is not given. */
function checksNamed(only: string | undefined): readonly string[] | undefined {
  const names = only?.split(',').map((name) => name.trim());
  const unknown = names?.find((name) => !CHECK_IDS.includes(name));
  if (unknown !== undefined) throw new UsageError(`there is no check "${unknown}": ${CHECK_IDS.join(', ')}`);
  return names;
}

/** Runs one command; gives the exit code: 0, 1 where a check fails, or 2 with one line on standard error. `until` ends one that goes on by itself. */
export async function run(argv: readonly string[], output: Output, until?: AbortSignal): Promise<number> {
  const { out, err } = output;
  try {
    const { values, positionals } = parseArgs({ args: [...argv], options: OPTIONS, allowPositionals: true });
    const [name, file, extra] = positionals;
    if (values.help || name === 'help') {
      out(`${USAGE}${formatsHelp()}\n`);
      return 0;
    }
    if (values.version) {
      out(`pace-line ${VERSION}\n`);
      return 0;
    }
    if (extra !== undefined) throw new UsageError(`one file at a time: "${extra}" is too much`);
    switch (name) {
      case 'sample':
        out(sample(loadScene(file), values));
        return 0;
      case 'export':
        return await exported(file, values, output, until);
      case 'check': {
        const own = loadScene(file);
        const scene = values.limits === undefined ? own : withLimits(own, values.limits);
        const { lines, holds } = check(scene, values.json === true, checksNamed(values.only));
        for (const line of lines) out(`${printable(line)}\n`);
        return holds ? 0 : 1;
      }
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
    err(lineOf(error));
    return 2;
  }
}
