import { fstatSync } from 'node:fs';
import { run } from './run.ts';
import { writeWhole } from './writing.ts';

function refuse(error: NodeJS.ErrnoException): never {
  // Whoever reads has enough.
  if (error.code === 'EPIPE') process.exit(0);
  process.stderr.write(`pace-line: standard output: ${error.code === 'ENOSPC' ? 'the disk is full' : error.message}\n`);
  process.exit(2);
}
process.stdout.on('error', refuse);

/** A file is written until all of it is there: the stream would write a part, where a disk is full, and say nothing. */
const isFile = fstatSync(1).isFile();
const out = (text: string | Uint8Array): void => {
  if (!isFile) return void process.stdout.write(text);
  try {
    writeWhole(1, text);
  } catch (error) {
    refuse(error as NodeJS.ErrnoException);
  }
};
const err = (text: string): void => void process.stderr.write(text);
process.exitCode = await run(process.argv.slice(2), { out, raw: out, err, isWatched: process.stderr.isTTY === true });
