import { formatById, memorySink, QUIET_RUN, send, textOf, type Scene } from '../core/src/index.ts';
import { WRITER_SCENES } from '../core/src/testing/scenes.ts';

async function typesOf(scene: Scene, id: string): Promise<string[]> {
  const format = formatById(id)!;
  const { sink, files } = memorySink();
  await send(scene, format, format.options.parse({}), sink, QUIET_RUN);
  return files.filter(({ name }) => name.endsWith('.d.ts')).map(textOf);
}

/** Types of riders and marks as what they are of whatever scene. */
const common = (types: string): string =>
  types
    .replace(/export type (RiderCode|RiderName) = [^;]*;/g, 'export type $1 = string;')
    .replace(/export type MarkName = [^;]*;/, 'export type MarkName = `${RiderCode} ${number}`;');

const declared = (way: string, text: string): string =>
  `declare module '*.paceline.json?${way}' {\n${text.trim()}\n}\n`;
const value = (type: string): string => `const value: ${type};\nexport default value;`;

/** The file of types that all imports of the plug-in have in common. */
export async function pluginTypes(): Promise<string> {
  const scene = { ...WRITER_SCENES['eased']!, name: 'Loop' };
  const [module = ''] = await typesOf(scene, 'module');
  const [component = ''] = await typesOf(scene, 'react');
  return [
    '// Written by `npm run page-scripts` from the types that core gives each module; a test asks that it is what they say.\n',
    declared('module', common(module)),
    declared('react', component.replace(/'\.\/[^']+\.module\.js'/g, "'loop.paceline.json?module'")),
    declared('svg', value('string')),
    declared('url', value('string')),
    declared('css', ''),
    declared('frames', value("import('@pace-line/vite').Frames")),
  ].join('\n');
}
