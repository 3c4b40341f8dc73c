import { writeFileSync } from 'node:fs';
import { pageScripts } from './page-scripts.ts';

// npm run page-scripts: what is sent to pages, small, from its sources.
writeFileSync(new URL('../core/src/export/web/page-scripts.ts', import.meta.url), pageScripts());
