import { writeFileSync } from 'node:fs';
import { cpus } from 'node:os';
import { coreRows } from './core.ts';
import { encoderRows } from './editor/encoders.ts';
import { measureEditor } from './editor/rows.ts';
import type { Row } from './measure.ts';

const only = process.argv[2];
const sections: [string, () => Row[] | Promise<Row[]>][] = [
  ['core', coreRows],
  ['editor', measureEditor],
  ['encoders', encoderRows],
];

const parts: string[] = [];
let broken = 0;
for (const [name, rows] of sections) {
  if (only && only !== name) continue;
  console.log(`\n${name}`);
  const measured = await rows();
  for (const row of measured) {
    console.log(`${row.kept ? 'kept  ' : 'BROKEN'}  ${row.what}: ${row.figure}  (${row.promise}; ${row.beside})`);
    if (!row.kept) broken++;
  }
  parts.push(
    `## ${name}\n\n| what | figure | promise | beside, in the same run | kept |\n| --- | --- | --- | --- | --- |\n` +
      measured
        .map(
          (row) => `| ${row.what} | ${row.figure} | ${row.promise} | ${row.beside} | ${row.kept ? 'yes' : '**no**'} |`,
        )
        .join('\n'),
  );
}
if (!only)
  writeFileSync(
    'bench/results.md',
    `# Measured figures\n\nWritten by \`npm run bench\` on ${cpus().length} cores, Node ${process.versions.node}. Machines differ and are noisy: compare ratios.\n\n${parts.join('\n\n')}\n`,
  );
process.exitCode = broken === 0 ? 0 : 1;
