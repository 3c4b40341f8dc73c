import { basename, isAbsolute, join, resolve } from 'node:path';
import type { Plugin } from 'vite';
import { askedOf, splitImport, type Asked, type Kind } from './asked.ts';
import { hashOf, Kept, SceneError, type Files } from './kept.ts';
import { livelyModule } from './live.ts';
import { typesOf } from './made.ts';
import { TypesFile } from './types.ts';

type Settings = Readonly<Partial<Record<Kind, Readonly<Record<string, unknown>>>>> & { readonly types?: string };

/** An import as it is known by its own id. */
interface Known {
  readonly file: string;
  readonly query: string;
  readonly asked: Asked;
}

/** Not an id that ends as JSON does: that is read as such by others. */
const idOf = ({ file, query, asked: { kind } }: Known): string =>
  `\0pace-line-${hashOf(query)}:${file.replace(/\.json$/, '')}.${kind}.${kind === 'css' ? 'css' : 'js'}`;

/**
 * Imports of scene files: `import Loop from './barge.paceline.json?react'`, and `?module`, `?svg`, `?url`, `?css`, `?frames`. What is made of a scene is kept, by what the scene and the options are.
 */
export default function paceLine(settings: Settings = {}): Plugin {
  const known = new Map<string, Known>();
  /** Of components, as they were given last. */
  const shapes = new Map<string, string>();
  const [kept, types] = [new Kept(), new TypesFile()];
  let [isServing, isVite] = [false, false];

  return {
    name: 'pace-line',
    enforce: 'pre',
    configResolved({ root, cacheDir, command }) {
      [isServing, isVite] = [command === 'serve', true];
      kept.folder = join(cacheDir, 'pace-line');
      if (settings.types !== undefined) types.path = resolve(root, settings.types);
    },
    async resolveId(source, importer) {
      const split = splitImport(source);
      if (!split) return null;
      const found = await this.resolve(split.file, importer, { skipSelf: true });
      const file = found?.id ?? (isAbsolute(split.file) ? split.file : undefined);
      if (file === undefined) return null;
      try {
        const one = { file, query: split.query, asked: askedOf(split.query, settings) };
        const id = idOf(one);
        known.set(id, one);
        return id;
      } catch (error) {
        return this.error(`${source}: ${error instanceof Error ? error.message : String(error)}`);
      }
    },
    async load(id) {
      const one = known.get(id);
      if (!one) return null;
      this.addWatchFile(one.file);
      try {
        const files = await kept.filesOf(one.file, one.asked);
        const name = basename(one.file);
        for (const [query, text] of typesOf(one.asked, files, one.query, name)) types.add(`${name}?${query}`, text);
        types.write();
        shapes.set(id, shapeIn(files[0]?.text ?? ''));
        const { text, emitted } = codeOf(one, files, isServing);
        if (emitted === undefined) return { code: text, map: { mappings: '' } };
        const picture = name.replace(/\.paceline\.json$/, '.svg');
        const asset = this.emitFile({ type: 'asset', name: picture, source: emitted });
        const address = isVite ? `"__VITE_ASSET__${asset}__"` : `import.meta.ROLLUP_FILE_URL_${asset}`;
        return { code: `export default ${address};\n`, map: { mappings: '' } };
      } catch (error) {
        if (error instanceof SceneError) return this.error({ message: error.message, id: one.file, loc: error.loc });
        throw error;
      }
    },
    async hotUpdate({ file }) {
      const own = [...known].filter(([, one]) => one.file === file);
      if (own.length === 0) return undefined;
      // A component is another only where its shape is: its module replaces what is mounted by itself.
      const changed = await Promise.all(
        own.map(async ([id, one]) => {
          const node = this.environment.moduleGraph.getModuleById(id);
          if (!node) return [];
          if (one.asked.kind !== 'react') return [node];
          const [component] = await kept.filesOf(file, one.asked).catch((): Files => []);
          const isSame = component && shapeIn(component.text) === shapes.get(id);
          return isSame ? [] : [node];
        }),
      );
      // The file itself is watched as a module that all of these import: what that would reload is them.
      return changed.flat();
    },
  };
}

/** The ratio that a component has in its text. */
const shapeIn = (text: string): string => /aspectRatio: '([^']+)'/.exec(text)?.[1] ?? '';

/** An import's text as a module, or what a file beside it holds. */
function codeOf(
  { file, asked }: Known,
  [first = { name: '', text: '' }]: Files,
  isServing: boolean,
): { readonly text: string; readonly emitted?: string } {
  const { text } = first;
  switch (asked.kind) {
    case 'module':
      return { text: isServing ? livelyModule(text) : text };
    case 'react': {
      const beside = JSON.stringify(`${file}?module${queryOf(asked)}`);
      return { text: text.replace(/'\.\/[^']+\.module\.js'/g, () => beside) };
    }
    case 'svg':
      return { text: `export default ${JSON.stringify(text)};\n` };
    case 'url':
      // While it is worked on nothing is written.
      return isServing
        ? { text: `export default ${JSON.stringify(`data:image/svg+xml,${encodeURIComponent(text)}`)};\n` }
        : { text: '', emitted: text };
    case 'css':
      return { text };
    case 'frames':
      return { text: `export default ${text.trim()};\n` };
  }
}

/** The options of a component that are not as usual, for the module that it is made of. */
function queryOf({ format, options }: Asked): string {
  const usual = format.options.parse({});
  return Object.entries(options)
    .filter(([key, value]) => usual[key] !== value)
    .map(([key, value]) => `&${key}=${encodeURIComponent(String(value))}`)
    .join('');
}
