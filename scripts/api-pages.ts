import { fileURLToPath } from 'node:url';
import { dirname, relative, sep } from 'node:path';
import ts from 'typescript';

const at = (path: string): string => fileURLToPath(new URL(`../${path}`, import.meta.url));

/** What a page is made of: the types of a package's entry, and how it is imported. */
interface Entry {
  readonly file: string;
  readonly from: string;
  /** Of the core: a page for each folder that names come from. */
  readonly folders?: string;
}

const ENTRIES: readonly Entry[] = [
  { file: at('core/dist/index.d.ts'), from: '@pace-line/core', folders: at('core/dist') },
  { file: at('core/dist/import/art/lettering.d.ts'), from: '@pace-line/core/lettering' },
  { file: at('core/dist/checks/all.d.ts'), from: '@pace-line/core/findings' },
  { file: at('plugin/dist/types/index.d.ts'), from: '@pace-line/vite' },
];

/** What each page is about, by its folder or import; the order of the list. */
const ABOUT: Readonly<Record<string, string>> = {
  scene: 'Scene files: reading and writing them, what they hold, and asking them',
  geometry: 'Paths: place, tangent and length, what is nearest, shapes, matrices',
  time: 'Time: loops, ways there and back, copies',
  pace: 'Eases and recipes',
  motion: 'A scene in motion: where every rider is at a time',
  drive: 'What drives a scene on a page',
  take: 'Motion as keys, as frames and as sheets',
  export: 'Formats, and writing them',
  import: 'Bringing in: drawings, lists of points, tracks',
  commands: 'Edits: each gives another scene, or says why not',
  checks: 'Whether everything closes',
  findings: 'All checks: what they find in a scene',
  drawing: 'Path data and outlines',
  chart: 'Diagrams',
  lettering: 'Texts as outlines',
  vite: 'Scenes in a build with Vite',
  other: 'The rest',
};

/** Longest declaration that is shown whole, lines. */
const LINES = 30;

interface Named {
  readonly name: string;
  readonly words: string;
  readonly examples: readonly string[];
  readonly declaration: string;
}

/** The pages of the programming interface by their names: of every exported name its comment, its declaration and its examples. */
export function apiPages(): ReadonlyMap<string, string> {
  const program = ts.createProgram(
    ENTRIES.map(({ file }) => file),
    {
      module: ts.ModuleKind.NodeNext,
      moduleResolution: ts.ModuleResolutionKind.NodeNext,
      skipLibCheck: true,
      types: [],
    },
  );
  const pages = new Map<string, { from: string; names: Named[] }>();
  for (const { file, from, folders } of ENTRIES)
    for (const [symbol, declared] of exportsOf(program, file)) {
      const page = folders ? folderOf(declared, folders) : (from.split('/').pop() ?? from);
      const known = pages.get(page) ?? { from, names: [] };
      known.names.push(namedOf(program, symbol, declared));
      pages.set(page, known);
    }
  const order = Object.keys(ABOUT).filter((page) => pages.has(page));
  const texts = new Map(order.map((page) => [`${page}.md`, textOf(page, pages.get(page) ?? { from: '', names: [] })]));
  const list = order.map((page) => `- [${ABOUT[page]}](${page}.md): ${pages.get(page)?.names.length} names`);
  texts.set(
    'README.md',
    `# Programming interface\n\nMade by \`npm run api-pages\` from the comments of what the packages export. Their examples are run by a test.\n\n${list.join('\n')}\n`,
  );
  return texts;
}

function exportsOf(program: ts.Program, file: string): (readonly [ts.Symbol, ts.Declaration])[] {
  const checker = program.getTypeChecker();
  const source = program.getSourceFile(file);
  const module = source && checker.getSymbolAtLocation(source);
  if (!module) throw new Error(`${file} is not there: build first`);
  return checker.getExportsOfModule(module).flatMap((exported) => {
    const symbol = exported.flags & ts.SymbolFlags.Alias ? checker.getAliasedSymbol(exported) : exported;
    const [declared] = symbol.declarations ?? [];
    return declared && !declared.getSourceFile().fileName.includes('node_modules')
      ? [[exported, declared] as const]
      : [];
  });
}

/** The folder of the core that something is declared in. */
function folderOf(declared: ts.Declaration, root: string): string {
  const [folder = ''] = relative(root, declared.getSourceFile().fileName).split(sep);
  return folder in ABOUT ? folder : 'other';
}

function namedOf(program: ts.Program, exported: ts.Symbol, declared: ts.Declaration): Named {
  const checker = program.getTypeChecker();
  const symbol = exported.flags & ts.SymbolFlags.Alias ? checker.getAliasedSymbol(exported) : exported;
  const tags = symbol.getJsDocTags(checker).filter(({ name }) => name === 'example');
  const own = ts.isFunctionDeclaration(declared) ? declared.name?.text : undefined;
  const name = exported.name === 'default' ? (own ?? 'default') : exported.name;
  return {
    name,
    words: unwrapped(ts.displayPartsToString(symbol.getDocumentationComment(checker)).trim()),
    examples: tags.map(({ text }) => ts.displayPartsToString(text).trim()),
    declaration: shown(declared),
  };
}

/** A comment without the ends of its lines. */
const unwrapped = (text: string): string => text.replace(/(?<!\n)\n(?!\n)/g, ' ');

/** A declaration as it is written, without its comment; a long one is cut. */
function shown(declared: ts.Declaration): string {
  const whole = ts.isVariableDeclaration(declared) ? declared.parent.parent : declared;
  const lines = whole
    .getText()
    .replace(/^(?:export )?(?:default )?(?:declare )?/, '')
    .split('\n');
  return lines.length <= LINES
    ? lines.join('\n')
    : [...lines.slice(0, LINES - 6), '  // …', ...lines.slice(-1)].join('\n');
}

function textOf(page: string, { from, names }: { from: string; names: readonly Named[] }): string {
  const parts = [...names]
    .sort((a, b) => a.name.localeCompare(b.name, 'en'))
    .map(({ name, words, examples, declaration }) =>
      [`## ${name}`, words, '```ts\n' + declaration + '\n```', ...examples].filter(Boolean).join('\n\n'),
    );
  return `# ${ABOUT[page]}\n\nFrom \`${from}\`.\n\n${parts.join('\n\n')}\n`;
}

/** Where the pages stand. */
export const API_FOLDER = dirname(at('docs/api/README.md'));
