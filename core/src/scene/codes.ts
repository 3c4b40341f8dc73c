import type { Rider } from './schema/index.ts';

/** Letters of a code at most, before what tells it from others. */
const LONGEST = 60;

/** A name as code and tables can hold it: letters and digits of any script, small, with hyphens between; a letter first, as no spreadsheet takes that for a number or a date. */
function plain(name: string): string {
  const text = name
    .normalize('NFC')
    .toLowerCase()
    .replace(/[^\p{L}\p{N}]+/gu, '-')
    .slice(0, LONGEST)
    .replace(/^-+|-+$/g, '');
  return text === '' ? 'rider' : /^\p{L}/u.test(text) ? text : `r-${text}`;
}

/** What code and tables call the riders of a scene, by their ids: made of their names, each another. Of several of one name the later ones, in the scene's order, are counted. */
export function riderCodes(riders: readonly Pick<Rider, 'id' | 'name'>[]): ReadonlyMap<string, string> {
  const names = new Set(riders.map(({ name }) => plain(name)));
  const given = new Set<string>();
  return new Map(
    riders.map(({ id, name }) => {
      let code = plain(name);
      // Nobody is given what another one is called.
      for (let n = 2; given.has(code) || (n > 2 && names.has(code)); n++) code = `${plain(name)}-${n}`;
      given.add(code);
      return [id, code];
    }),
  );
}
