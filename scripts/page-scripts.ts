import { readFileSync } from 'node:fs';
import { transformSync } from 'esbuild';

const PARTS = {
  machine: '../core/src/drive/machine.ts',
  drive: '../core/src/export/web/page/drive.ts',
  tracks: '../core/src/export/web/page/tracks.ts',
  fit: '../core/src/export/web/page/fit.ts',
  mount: '../core/src/export/web/page/mount.ts',
};

/** A part as a script that imports nothing: what it imports stands before it. */
function partOf(name: keyof typeof PARTS): string {
  const source = readFileSync(new URL(PARTS[name], import.meta.url), 'utf8');
  const { code } = transformSync(source, { loader: 'ts', target: 'es2022' });
  const alone = code.replace(/^import [^;]*;\n/gm, '');
  return name === 'mount' ? alone : alone.replace(/^export \{[^}]*\};\n/gm, '').replace(/^export /gm, '');
}

const small = (code: string, format?: 'esm'): string =>
  transformSync(code, { minify: true, target: 'es2022', ...(format ? { format } : {}) }).code.trim();

/** Names by which a page may call what it has pasted into a script of its own, beside those that are exported. */
const named = (code: string): string =>
  code.replace(/export\{(\w+) as mount,(\w+) as sample\};$/, 'const mount=$1,sample=$2;export{mount,sample};');

const literal = (code: string): string => JSON.stringify(code);

/** The file that holds what is sent to pages: the driving machine for a page that is one, and the whole of a module. */
export function pageScripts(): string {
  const driving = partOf('machine') + partOf('drive');
  const mounting = driving + partOf('tracks') + partOf('fit') + partOf('mount');
  return (
    `// Written by \`npm run page-scripts\` from core/src/drive/machine.ts and core/src/export/web/page/; a test asks that it is what they say.\n\n` +
    `/** What drives animations on a page: the function \`drive\`. */\n` +
    `export const DRIVE_SCRIPT =\n  ${literal(small(driving))};\n\n` +
    `/** All of a module that is the same for each; SPEC, ENDS, MARKUP, TRACKS and RIDERS stand before it. */\n` +
    `export const MODULE_SCRIPT =\n  ${literal(named(small(mounting, 'esm')))};\n`
  );
}
