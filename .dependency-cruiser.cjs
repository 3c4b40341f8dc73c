const layers = [
  'geometry',
  'time',
  'pace',
  'scene',
  'drawing',
  'drive',
  'motion',
  'chart',
  'commands',
  'checks',
  'import',
  'take',
  'export',
];

/** Inside the core a folder imports only folders that stand before it in the order of the work. */
const downwards = layers.map((layer, i) => ({
  name: `core-${layer}-imports-downwards`,
  severity: 'error',
  from: { path: `^core/src/${layer}/`, pathNot: '\\.test\\.ts$' },
  to: { path: `^core/src/(${layers.slice(i + 1).join('|') || 'none'})/` },
}));

/** Folders of the editor in which no view is known, nor React: what they may import of the editor. */
const plain = {
  platform: [],
  frame: [],
  words: ['tools', 'document'],
  tools: ['document', 'words', 'platform'],
  figures: ['document', 'frame', 'tools', 'words', 'platform'],
};

const plainFolders = Object.entries(plain).flatMap(([folder, others]) => [
  {
    name: `editor-${folder}-imports-downwards`,
    severity: 'error',
    from: { path: `^editor/src/${folder}/`, pathNot: '\\.test\\.ts$' },
    to: { path: '^editor/src/', pathNot: `^editor/src/(${[folder, ...others].join('|')})/` },
  },
  {
    name: `editor-${folder}-knows-no-react`,
    severity: 'error',
    from: { path: `^editor/src/${folder}/` },
    to: { path: '^node_modules/(react|react-dom|@mantine|zustand/react)' },
  },
]);

const views = ['shelf', 'desk', 'send', 'help'];

/** Views do not reach into each other; what two of them need lies beside them. */
const apart = views.map((view) => ({
  name: `editor-${view}-keeps-to-itself`,
  severity: 'error',
  from: { path: `^editor/src/${view}/`, pathNot: '\\.test\\.ts$' },
  to: { path: `^editor/src/(${views.filter((one) => one !== view).join('|')})/` },
}));

module.exports = {
  forbidden: [
    ...downwards,
    ...plainFolders,
    ...apart,
    {
      name: 'core-stands-alone',
      severity: 'error',
      from: { path: '^core/' },
      to: { path: '^(cli|server|plugin|editor|samples|e2e|bench)/' },
    },
    { name: 'nothing-imports-editor', severity: 'error', from: { pathNot: '^editor/' }, to: { path: '^editor/' } },
    {
      name: 'programs-know-only-core',
      severity: 'error',
      from: { path: '^(cli|server|plugin)/', pathNot: '\\.test\\.ts$' },
      to: { path: '^(editor|samples|e2e|bench)/' },
    },
    { name: 'cli-and-server-apart', severity: 'error', from: { path: '^cli/' }, to: { path: '^server/' } },
    {
      name: 'no-circles',
      severity: 'error',
      from: { pathNot: '\\.test\\.ts$' },
      to: { circular: true },
    },
    {
      name: 'core-is-pure',
      severity: 'error',
      from: { path: '^core/src', pathNot: '\\.test\\.ts$' },
      to: { dependencyTypes: ['core'] },
    },
  ],
  options: {
    doNotFollow: { path: 'node_modules' },
    tsPreCompilationDeps: true,
    tsConfig: { fileName: 'tsconfig.tools.json' },
    enhancedResolveOptions: {
      exportsFields: ['exports'],
      conditionNames: ['import', 'types', 'default'],
      extensions: ['.ts', '.tsx', '.js', '.mjs'],
    },
  },
};
