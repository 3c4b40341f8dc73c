import { describeOptions, FORMATS } from '@pace-line/core';
import { RECIPES } from '../recipes/index.ts';
import { openSample, SAMPLES } from '../scene/samples.ts';
import type { FindEntry } from './entry.ts';

/** Goes to an address of the application. */
export type Go = (address: string) => void;

/** What else formats are asked for by. */
const FORMAT_WORDS: Readonly<Record<string, string>> = {
  webm: 'video movie film mp4 clip',
  gif: 'animated picture half size small',
  apng: 'animated picture png transparent',
  webp: 'animated picture',
  'png-sequence': 'frames pictures sequence film',
  'sprite-sheet': 'sprites frames game atlas',
  lottie: 'json app mobile',
  'animated-svg': 'vector web',
};

/** What else options are asked for by. */
const OPTION_WORDS: Readonly<Record<string, string>> = {
  scale: 'size half double larger smaller resolution pixels',
  fps: 'frames a second rate speed',
  background: 'transparent paper backdrop',
  colors: 'recolour theme dark palette',
  carry: 'editable source open again',
  tolerance: 'accuracy precise smaller file',
};

/** The formats, and what can be set of them. `choose` shows one. */
export const formatEntries = (choose: (format: string) => void): FindEntry[] => [
  ...FORMATS.map(({ id, name, about }): FindEntry => ({
    ...{ id: `format ${id}`, title: `Send as ${name}`, about, where: 'Send' },
    also: `export render output ${FORMAT_WORDS[id] ?? ''}`,
    run: () => choose(id),
  })),
  ...optionEntries(choose),
];

/** What several formats call the same is one entry: it shows the first of them. */
function optionEntries(choose: (format: string) => void): FindEntry[] {
  const found = new Map<string, { readonly title: string; readonly formats: (typeof FORMATS)[number][] }>();
  for (const format of FORMATS)
    for (const { key, about } of describeOptions(format)) {
      const same = found.get(`${key} ${about}`);
      if (same) same.formats.push(format);
      else found.set(`${key} ${about}`, { title: about, formats: [format] });
    }
  return [...found].map(([key, { title, formats }]) => ({
    // What the scene itself has comes first.
    weight: 0.8,
    id: `option ${key}`,
    title,
    about: `For ${formats.map(({ name }) => name).join(', ')}`,
    where: 'Send, options',
    also: `${OPTION_WORDS[key.slice(0, key.indexOf(' '))] ?? ''} option export`,
    run: () => formats[0] && choose(formats[0].id),
  }));
}

export const recipeEntries = (go: Go, from: string): FindEntry[] =>
  RECIPES.map(({ id, title, steps }) => ({
    weight: 0.5,
    ...{ id: `recipe ${id}`, title, about: steps[0]?.says ?? '', also: 'help recipe guide learn', where: 'Help' },
    run: () => go(`/help${from}#${id}`),
  }));

export const sampleEntries = (go: Go): FindEntry[] =>
  SAMPLES.map((sample) => ({
    id: `sample ${sample.file}`,
    weight: 0.7,
    title: sample.name,
    about: `Opens the sample, ${Number(sample.seconds.toFixed(2))} s`,
    where: 'Sample',
    also: 'sample example demo',
    run: () => void openSample(sample).then((id) => id !== undefined && go(`/scene/${id}`)),
  }));
