import { memorySink, QUIET_RUN, send, textOf, type Scene } from '@pace-line/core';
import type { Asked } from './asked.ts';

/** The files of an import, by their names, the first one first: the same bytes as the command line writes. */
export async function filesOf(
  scene: Scene,
  { format, options }: Asked,
): Promise<readonly { name: string; text: string }[]> {
  const { sink, files } = memorySink();
  await send(scene, format, { ...options }, sink, QUIET_RUN);
  return files.map((file) => ({ name: file.name, text: textOf(file) }));
}

/** The types of what an import gives, each for an ambient module of its own by what stands behind the file's name: a component's are those of the module beside it too. */
export function typesOf(
  { kind }: Asked,
  files: readonly { name: string; text: string }[],
  query: string,
  file: string,
): readonly (readonly [query: string, text: string])[] {
  const [types = '', moduleTypes = ''] = files.filter(({ name }) => name.endsWith('.d.ts')).map(({ text }) => text);
  switch (kind) {
    case 'module':
      return [[query, types]];
    case 'react':
      // An ambient module names no other by a relative path.
      return [
        [query, types.replace(/'\.\/[^']+\.module\.js'/g, `'loops/${file}?module'`)],
        ['module', moduleTypes],
      ];
    case 'frames':
      return [[query, "const frames: import('@pace-line/vite').Frames;\nexport default frames;\n"]];
    case 'css':
      return [[query, '']];
    case 'svg':
    case 'url':
      return [[query, 'const text: string;\nexport default text;\n']];
  }
}
