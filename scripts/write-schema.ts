import { writeFileSync } from 'node:fs';
import { z } from 'zod';
import { sceneShape } from '@pace-line/core';

// npm run schema: the JSON Schema of the scene file, from the one definition.
const schema = z.toJSONSchema(sceneShape, { io: 'input' });
writeFileSync(new URL('../docs/scene.schema.json', import.meta.url), `${JSON.stringify(schema, null, 2)}\n`);
