import { writeFileSync } from 'node:fs';
import { format } from 'prettier';
import { pageScripts } from './page-scripts.ts';

// npm run page-scripts: what is sent to pages, small, from its sources, and the types of the plug-in that are made of it.
writeFileSync(new URL('../core/src/export/web/page-scripts.ts', import.meta.url), pageScripts());
const { pluginTypes } = await import('./plugin-types.ts');
const types = await format(await pluginTypes(), { parser: 'typescript', printWidth: 120, singleQuote: true });
writeFileSync(new URL('../plugin/client.d.ts', import.meta.url), types);
