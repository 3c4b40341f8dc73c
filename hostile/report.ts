import { existsSync, readFileSync, writeFileSync } from 'node:fs';

/** A line of the report: what was tried and what became of it. */
export interface ReportLine {
  readonly part: string;
  readonly tried: string;
  readonly became: string;
  readonly held: boolean;
  /** Day on which it was measured. */
  readonly on: string;
}

const STORE = new URL('../bench/reliability.json', import.meta.url);
const PAGE = new URL('../bench/reliability.md', import.meta.url);

/** Writes lines to the report; those of parts that were not run stay as they are. */
export function report(lines: readonly ReportLine[]): void {
  const before: ReportLine[] = existsSync(STORE) ? (JSON.parse(readFileSync(STORE, 'utf8')) as ReportLine[]) : [];
  const parts = new Set(lines.map(({ part }) => part));
  const all = [...before.filter(({ part }) => !parts.has(part)), ...lines].sort(
    (a, b) => placeOf(a.part) - placeOf(b.part) || a.part.localeCompare(b.part, 'en', { numeric: true }),
  );
  writeFileSync(STORE, `${JSON.stringify(all, null, 2)}\n`);
  const rows = all.map(
    ({ part, tried, became, held, on }) => `| ${part} | ${tried} | ${became} | ${held ? 'yes' : '**no**'} | ${on} |`,
  );
  writeFileSync(
    PAGE,
    `# Reliability

Written by \`npm run hostile\`; parts are run alone by their names (\`npm run hostile -- drawings kills=100\`), the others keep their last line.
Drawings, scenes and mutations are made by the files of \`hostile/\`, the same in every run of a seed.

| part | tried | what became of it | as promised | on |
| --- | --- | --- | --- | --- |
${rows.join('\n')}
`,
  );
}

/** Where a part, or a line of it ("monkey, seed 3"), stands in the report. */
const placeOf = (part: string): number => PARTS.indexOf(part.split(',')[0] ?? part);

/** The parts in the order of the report. */
export const PARTS: readonly string[] = [
  'drawings',
  'drawings in the page',
  'scenes',
  'scenes in the page',
  'mutations',
  'imports',
  'kills',
  'deletions',
  'quota',
  'disk full',
  'interrupted',
  'monkey',
  'soak',
];
