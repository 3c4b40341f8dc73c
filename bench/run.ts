import { existsSync, readFileSync, writeFileSync } from 'node:fs';
import { cpus } from 'node:os';
import { checkRows } from './checks.ts';
import { coreRows } from './core.ts';
import { encoderRows } from './editor/encoders.ts';
import { measureEditor, measureShelf } from './editor/rows.ts';
import type { Row } from './measure.ts';
import { sentRows } from './sent.ts';

const only = process.argv[2];
const sections: [string, () => Row[] | Promise<Row[]>][] = [
  ['core', coreRows],
  ['checks', checkRows],
  ['editor', measureEditor],
  ['shelf', measureShelf],
  ['encoders', encoderRows],
  ['sent', sentRows],
];

const FILE = 'bench/results.md';

/** The sections of the file as they were written last: what is not measured now stays. */
function writtenSections(): Map<string, string> {
  if (!existsSync(FILE)) return new Map();
  const [, ...known] = readFileSync(FILE, 'utf8').split(/^## /m);
  return new Map(known.map((text) => [text.slice(0, text.indexOf('\n')), `## ${text.trim()}`]));
}

const tableOf = (name: string, rows: readonly Row[]): string =>
  `## ${name}\n\n| what | figure | promise | beside, in the same run | kept |\n| --- | --- | --- | --- | --- |\n` +
  rows
    .map((row) => `| ${row.what} | ${row.figure} | ${row.promise} | ${row.beside} | ${row.kept ? 'yes' : '**no**'} |`)
    .join('\n');

const written = writtenSections();
let broken = 0;
for (const [name, rows] of sections) {
  if (only && only !== name) continue;
  console.log(`\n${name}`);
  const measured = await rows();
  for (const row of measured) {
    console.log(`${row.kept ? 'kept  ' : 'BROKEN'}  ${row.what}: ${row.figure}  (${row.promise}; ${row.beside})`);
    if (!row.kept) broken++;
  }
  written.set(name, tableOf(name, measured));
}
const parts = sections.flatMap(([name]) => written.get(name) ?? []);
writeFileSync(
  FILE,
  `# Measured figures\n\nWritten by \`npm run bench\` on ${cpus().length} cores, Node ${process.versions.node}; \`npm run bench -- core\`, \`checks\`, \`editor\`, \`shelf\`, \`encoders\` or \`sent\` measures one part anew. Machines differ and are noisy: compare ratios.\n\n${parts.join('\n\n')}\n`,
);
process.exitCode = broken === 0 ? 0 : 1;
