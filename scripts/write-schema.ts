import { writeFileSync } from 'node:fs';
import { z } from 'zod';
import { framesShape, sceneShape, sheetShape } from '@pace-line/core';
import { findingsShape } from '@pace-line/core/findings';

// npm run schema: the JSON Schemas of the scene file and of the data that is sent and printed, each from its one definition.
for (const [name, shape] of [
  ['scene', sceneShape],
  ['frames', framesShape],
  ['sheet', sheetShape],
  ['findings', findingsShape],
] as const) {
  const schema = z.toJSONSchema(shape, { io: 'input' });
  writeFileSync(new URL(`../docs/${name}.schema.json`, import.meta.url), `${JSON.stringify(schema, null, 2)}\n`);
}
