import { z } from '../zod.ts';
import { carried, type Scene } from '../scene/index.ts';
import type { Sink } from './sink.ts';

/** The options of formats of text in whose files a scene, and a line of whom they are by, can go along. */
export const CARRY = {
  carry: z
    .boolean()
    .default(false)
    .describe('Include the editable scene: dropped on Pace Line, the file opens it again'),
  credit: z
    .string()
    .max(200)
    .default('')
    .describe('Credit or licence: a line at the end of the file, where no reader shows it'),
};

/** How a text of a type carries another, where readers of the type do not see it. */
const PLACES: Readonly<Record<string, (text: string, more: string) => string>> = {
  'image/svg+xml': (text, more) => `${text}<!-- ${more} -->\n`,
  'text/html': (text, more) => `${text}<!-- ${more} -->\n`,
  'text/javascript': (text, more) => `${text}// ${more}\n`,
  'text/css': (text, more) => `${text}/* ${more} */\n`,
  'application/json': (text, more) => withMeta(text, 'd', more),
};

/** The same of a line of credit, which what makes files small leaves where it can be told to. */
const CREDITS: typeof PLACES = {
  ...PLACES,
  'text/javascript': (text, more) => `${text}/*! ${more} */\n`,
  'text/css': (text, more) => `${text}/*! ${more} */\n`,
  'application/json': (text, more) => withMeta(text, 'a', more),
};

/** JSON with one more member of its `meta`, where that is its last one or not there. */
function withMeta(text: string, key: string, value: string): string {
  const member = `${JSON.stringify(key)}:${JSON.stringify(value)}`;
  const meta = /,"meta":\{([^{}]*)\}\}\s*$/;
  return meta.test(text)
    ? text.replace(meta, (_, more: string) => `,"meta":{${more},${member}}}\n`)
    : text.replace(/\}\s*$/, () => `,"meta":{${member}}}\n`);
}

/** A line that ends no comment in which it stands, and no element. */
const plainLine = (text: string): string =>
  text
    .replace(/[\p{Cc}\u2028\u2029]+/gu, ' ')
    .replace(/--+/g, '–')
    .replace(/\*\//g, '* /')
    .replace(/<(?=[/!])/g, '< ')
    .replace(/[->]+$/, '')
    .trim();

/** A sink whose first file carries what its options ask for. */
export function carryingSink(sink: Sink, scene: Scene, options: Readonly<Record<string, unknown>>): Sink {
  const line = typeof options['credit'] === 'string' ? plainLine(options['credit']) : '';
  const carries = options['carry'] === true;
  if (!line && !carries) return sink;
  let isFirst = true;
  return {
    open(name, type) {
      const file = sink.open(name, type);
      const places = isFirst && PLACES[type] ? ([PLACES[type], CREDITS[type]] as const) : undefined;
      isFirst = false;
      if (!places) return file;
      const chunks: string[] = [];
      return {
        write(chunk) {
          if (typeof chunk !== 'string') throw new TypeError(`"${name}" holds bytes: it carries no scene`);
          chunks.push(chunk);
        },
        async close() {
          const text = chunks.join('');
          const credited = line ? (places[1]?.(text, line) ?? text) : text;
          await file.write(carries ? places[0](credited, carried(scene)) : credited);
          await file.close();
        },
      };
    },
  };
}
