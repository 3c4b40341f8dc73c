import { readFileSync } from 'node:fs';
import { transformSync } from 'esbuild';

const PARTS: Readonly<Record<string, string>> = {
  machine: '../core/src/drive/machine.ts',
  clock: '../core/src/export/web/page/clock.ts',
  drive: '../core/src/export/web/page/drive.ts',
  tracks: '../core/src/export/web/page/tracks.ts',
  fit: '../core/src/export/web/page/fit.ts',
  markup: '../core/src/export/web/page/markup.ts',
  passed: '../core/src/export/web/page/passed.ts',
  mount: '../core/src/export/web/page/mount.ts',
};

/** A part as a script that imports nothing: what it imports stands before it. */
function partOf(name: string): string {
  const source = readFileSync(new URL(PARTS[name]!, import.meta.url), 'utf8');
  const { code } = transformSync(source, { loader: 'ts', target: 'es2022' });
  const alone = code.replace(/^import [^;]*;\n/gm, '');
  return name === 'mount' ? alone : alone.replace(/^export \{[^}]*\};\n/gm, '').replace(/^export /gm, '');
}

const small = (code: string, format?: 'esm'): string =>
  transformSync(code, { minify: true, target: 'es2022', ...(format ? { format } : {}) }).code.trim();

/** Names by which a page may call what it has pasted into a script of its own, beside those that are exported. */
const named = (code: string): string =>
  code.replace(
    /export\{([\w$]+) as mount,([\w$]+) as picture,([\w$]+) as sample\};$/,
    'const mount=$1,picture=$2,sample=$3;export{mount,picture,sample};',
  );

const literal = (code: string): string => JSON.stringify(code);

/** The file that holds what is sent to pages: what drives a page that is one, and the whole of a module. */
export function pageScripts(): string {
  const driving = partOf('machine') + partOf('clock') + partOf('drive');
  const mounting = driving + ['tracks', 'fit', 'markup', 'passed', 'mount'].map(partOf).join('');
  return (
    `// Written by \`npm run page-scripts\` from core/src/drive/machine.ts and core/src/export/web/page/; a test asks that it is what they say.\n\n` +
    `/** What drives animations on a page: the functions \`clockOf\` and \`drive\`. */\n` +
    `export const DRIVE_SCRIPT =\n  ${literal(small(driving))};\n\n` +
    `/** All of a module that is the same for each; SPEC, ENDS, PREFIX, MARKUP, TRACKS, RIDERS and MARKS stand before it. */\n` +
    `export const MODULE_SCRIPT =\n  ${literal(named(small(mounting, 'esm')))};\n`
  );
}
