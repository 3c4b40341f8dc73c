import { z } from '../zod.ts';
import { carried, type Scene } from '../scene/index.ts';
import type { Sink } from './sink.ts';

/** The option of formats of text in whose files a scene can go along. */
export const CARRY = {
  carry: z.boolean().default(false).describe('Carry the scene: dropped on Pace Line, the file opens it again'),
};

/** How a text of a type carries another, where readers of the type do not see it. */
const PLACES: Readonly<Record<string, (text: string, more: string) => string>> = {
  'image/svg+xml': (text, more) => `${text}<!-- ${more} -->\n`,
  'text/html': (text, more) => `${text}<!-- ${more} -->\n`,
  'text/javascript': (text, more) => `${text}// ${more}\n`,
  'text/css': (text, more) => `${text}/* ${more} */\n`,
  'application/json': (text, more) => text.replace(/\}\s*$/, `,"meta":{"d":"${more}"}}\n`),
};

/** A sink whose first file carries a scene. */
export function carryingSink(sink: Sink, scene: Scene): Sink {
  let isFirst = true;
  return {
    open(name, type) {
      const file = sink.open(name, type);
      const place = isFirst ? PLACES[type] : undefined;
      isFirst = false;
      if (!place) return file;
      const chunks: string[] = [];
      return {
        write(chunk) {
          if (typeof chunk !== 'string') throw new TypeError(`"${name}" holds bytes: it carries no scene`);
          chunks.push(chunk);
        },
        async close() {
          await file.write(place(chunks.join(''), carried(scene)));
          await file.close();
        },
      };
    },
  };
}
