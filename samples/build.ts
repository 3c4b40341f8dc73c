import { mkdirSync, readFileSync, writeFileSync } from 'node:fs';
import { writeScene } from '@pace-line/core';
import { cardsOf } from './cards.ts';
import { SAMPLES } from './scenes.ts';

/** Writes the sample scenes, and what the Shelf says of them before one is opened: `npm run samples`. */
const folder = new URL('./scenes/', import.meta.url);
mkdirSync(folder, { recursive: true });
for (const { file, scene } of SAMPLES) {
  writeFileSync(new URL(file, folder), writeScene(scene));
  console.log(`${file}: ${readFileSync(new URL(file, folder)).length} bytes`);
}
writeFileSync(new URL('cards.json', folder), `${JSON.stringify(cardsOf(SAMPLES), null, 2)}\n`);
