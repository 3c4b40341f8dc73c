import { SaxesParser } from 'saxes';
import type { Vec } from '../geometry/index.ts';

/** A track or route of a GPX file, as points in metres (east, south) about its middle. */
export interface GpxTrack {
  readonly name: string;
  readonly points: readonly Vec[];
}

export type TracksResult =
  | { readonly ok: true; readonly tracks: readonly GpxTrack[]; readonly skipped: readonly string[] }
  | { readonly ok: false; readonly message: string };

/** Mean radius of the earth, m (IUGG). */
const EARTH = 6_371_008.8;

/**
 * Reads the tracks and routes of a GPX file (GPX 1.1, topografix.com schema): each `trk` or `rte` is one, its segments one after the other. Equirectangular
 * about its middle latitude: true in scale to a few thousandths over a hundred kilometres. A point without a place is named by its line.
 */
export function tracksFromGpx(text: string, progress: (share: number) => void = () => undefined): TracksResult {
  const { tracks, skipped, problem } = readTracks(text, progress);
  const drawn = tracks.flatMap(({ name, places }, i): GpxTrack[] =>
    places.length > 1 ? [{ name: name || `Track ${i + 1}`, points: inMetres(places) }] : [],
  );
  if (drawn.length > 0) return { ok: true, tracks: drawn, skipped: problem ? [...skipped, problem] : skipped };
  const none = tracks.length > 0 ? 'no track in it has two points' : 'there is no GPX track in it';
  return { ok: false, message: problem ?? skipped[0] ?? none };
}

interface RawTrack {
  name: string;
  readonly places: Vec[];
}

/** Characters that are read before it is told how far it is. */
const CHUNK = 262_144;

/** What was passed over is named so often. */
const MOST_SKIPPED = 100;

const localName = (name: string): string => name.slice(name.indexOf(':') + 1);

/** Reads until the file ends or its XML breaks; what came before that is kept. */
function readTracks(
  text: string,
  progress: (share: number) => void,
): { tracks: RawTrack[]; skipped: string[]; problem?: string } {
  const tracks: RawTrack[] = [];
  const skipped: string[] = [];
  let track: RawTrack | undefined;
  const open: string[] = [];
  const parser = new SaxesParser();
  parser.on('opentag', ({ name, attributes }) => {
    const local = localName(name);
    open.push(local);
    if (local === 'trk' || local === 'rte') tracks.push((track = { name: '', places: [] }));
    if (track && (local === 'trkpt' || local === 'rtept')) {
      const place = placeOf(attributes);
      if (place) track.places.push(place);
      else if (skipped.length < MOST_SKIPPED) skipped.push(`line ${parser.line}: a point without a place`);
    }
  });
  const words = (read: string): void => {
    // Names of points stand deeper than that of their track.
    if (track && open.at(-1) === 'name' && ['trk', 'rte'].includes(open.at(-2) ?? '')) track.name = read.trim();
  };
  parser.on('text', words);
  parser.on('cdata', words);
  parser.on('closetag', ({ name }) => {
    open.pop();
    if (['trk', 'rte'].includes(localName(name))) track = undefined;
  });
  let problem: string | undefined;
  parser.on('error', (error) => {
    problem ??= `line ${parser.line}: ${error.message.replace(/^\d+:\d+: /, '')}`;
  });
  for (let at = 0; at < text.length; at += CHUNK) {
    parser.write(text.slice(at, at + CHUNK));
    progress(at / text.length);
  }
  parser.close();
  return problem === undefined ? { tracks, skipped } : { tracks, skipped, problem };
}

function placeOf({ lat, lon }: Record<string, string>): Vec | undefined {
  const [y, x] = [lat, lon].map((value) => (value === undefined || value.trim() === '' ? NaN : Number(value)));
  return y !== undefined && x !== undefined && Math.abs(y) <= 90 && Math.abs(x) <= 540 ? [x, y] : undefined;
}

function inMetres(places: readonly Vec[]): Vec[] {
  let last = places[0]?.[0] ?? 0;
  const middle = places.reduce((sum, [, lat]) => sum + lat, 0) / places.length;
  const scale = (Math.PI / 180) * EARTH;
  return places.map(([lon, lat]): Vec => {
    // A track that crosses the date line goes on, instead of round the earth.
    while (lon - last > 180) lon -= 360;
    while (lon - last < -180) lon += 360;
    last = lon;
    return [lon * scale * Math.cos((middle * Math.PI) / 180), -lat * scale];
  });
}
