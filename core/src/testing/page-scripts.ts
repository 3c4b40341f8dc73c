import { readFileSync } from 'node:fs';
import { transformSync } from 'esbuild';

const PARTS = {
  machine: '../drive/machine.ts',
  drive: '../export/web/page/drive.js',
  mount: '../export/web/page/mount.js',
};

/** A part as a script that imports nothing: what it imports stands before it. */
function partOf(name: keyof typeof PARTS): string {
  const source = readFileSync(new URL(PARTS[name], import.meta.url), 'utf8');
  const { code } = transformSync(source, { loader: 'ts', target: 'es2022' });
  return code.replace(/^import [^;]*;\n/gm, '').replace(/^export \{[^}]*\};\n/gm, name === 'mount' ? '$&' : '');
}

const small = (code: string, format?: 'esm'): string =>
  transformSync(code, { minify: true, target: 'es2022', ...(format ? { format } : {}) }).code.trim();

const literal = (code: string): string => JSON.stringify(code);

/** The file that holds what is sent to pages: the driving machine for a page that is one, and the whole of a module. */
export function pageScripts(): string {
  const driving = (partOf('machine') + partOf('drive')).replace(/^export /gm, '');
  return (
    `// Written by \`npm run page-scripts\` from core/src/drive/machine.ts and core/src/export/web/page/; a test asks that it is what they say.\n\n` +
    `/** What drives animations on a page: the function \`drive\`. */\n` +
    `export const DRIVE_SCRIPT =\n  ${literal(small(driving))};\n\n` +
    `/** All of a module that is the same for each; SPEC, ENDS, MARKUP, TRACKS and RIDERS stand before it. */\n` +
    `export const MODULE_SCRIPT =\n  ${literal(small(driving + partOf('mount'), 'esm'))};\n`
  );
}
