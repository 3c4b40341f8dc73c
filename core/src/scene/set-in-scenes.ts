import type { Art, Guide, Rider, Scene } from './schema/index.ts';

/** The drawing of a scene that was set in: its canvas as a sheet of its background, seen or not. */
export const sheetMarkup = ({ width, height, background }: Scene['canvas']): string =>
  `<svg xmlns="http://www.w3.org/2000/svg" viewBox="0 0 ${width} ${height}"><rect width="${width}" height="${height}" fill="${background ?? 'none'}"/></svg>`;

// A drawing that is taken in has its size as attributes; a sheet has not.
const SHEET =
  /^<svg(?! width)(?:(?!\swidth)[^>])*><rect width="([\d.]+)" height="([\d.]+)" fill="[^"]*"\s*(?:\/>|><\/rect>)<\/svg>$/;

/** Whether a drawing is nothing but a sheet as large as itself. */
function isSheet(art: Art): boolean {
  const [, width, height] = (art.kind === 'svg' && SHEET.exec(art.markup)) || [];
  return Number(width) === art.width && Number(height) === art.height;
}

const NONE: ReadonlyMap<string, readonly string[]> = new Map();

const known = new WeakMap<Scene, ReadonlyMap<string, readonly string[]>>();

/**
 * The scenes that were set in around each guide and rider that is within one: the ids of the riders that hold them, the outermost first. What is in none is
 * not in the map. A rider holds a scene where its drawing is a sheet and it carries something.
 */
export function holdersAround(scene: Scene): ReadonlyMap<string, readonly string[]> {
  const before = known.get(scene);
  if (before) return before;
  const sheets = new Set(scene.art.flatMap((art) => (isSheet(art) ? [art.id] : [])));
  const made = sheets.size === 0 ? NONE : madeOf(scene, sheets);
  known.set(scene, made);
  return made;
}

function madeOf(scene: Scene, sheets: ReadonlySet<string>): ReadonlyMap<string, readonly string[]> {
  const riders = new Map(scene.riders.map((one) => [one.id, one]));
  const guides = new Map(scene.guides.map((one) => [one.id, one]));
  const around = new Map<string, readonly string[]>();
  const carrierOf = (id: string): string | null | undefined => {
    const rider: Rider | undefined = riders.get(id);
    const guide: Guide | undefined = guides.get(rider ? (rider.guide ?? '') : id);
    return rider?.carrier?.rider ?? guide?.carrier;
  };
  const find = (id: string): readonly string[] => {
    const there = around.get(id);
    if (there) return there;
    around.set(id, []);
    // What is strung between two is where the first of them is, and not within it.
    const strung = riders.get(id)?.strung;
    const rider = riders.get(strung ? strung.from : (carrierOf(id) ?? ''));
    const outer = rider ? find(rider.id) : [];
    const all = rider && !strung && sheets.has(rider.art) ? [...outer, rider.id] : outer;
    around.set(id, all);
    return all;
  };
  for (const { id } of [...scene.riders, ...scene.guides]) find(id);
  return new Map([...around].filter(([, holders]) => holders.length > 0));
}

/** Whether a rider holds a scene that was set in. */
export const isHolder = (scene: Scene, rider: string): boolean => {
  for (const holders of holdersAround(scene).values()) if (holders.includes(rider)) return true;
  return false;
};

/** What of guides and riders is meant with the scenes that are among them: with each holder all that is within it. */
export function withAllInside(
  scene: Scene,
  guides: readonly string[],
  riders: readonly string[],
): { readonly guides: readonly string[]; readonly riders: readonly string[] } {
  const around = holdersAround(scene);
  const isMeant = ({ id }: { readonly id: string }): boolean =>
    around.get(id)?.some((holder) => riders.includes(holder)) ?? false;
  const more = (given: readonly string[], all: readonly (Guide | Rider)[]): string[] => [
    ...new Set([...given, ...all.filter(isMeant).map(({ id }) => id)]),
  ];
  return { guides: more(guides, scene.guides), riders: more(riders, scene.riders) };
}
