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

const POINT = /<(?:\w+:)?(trkpt|rtept)\b([^>]*)>/g;

/**
 * Reads the tracks and routes of a GPX file (GPX 1.1, topografix.com schema): each `trk` or `rte` is one, its segments one after the other. Equirectangular
 * about its middle latitude: true in scale to a few thousandths over a hundred kilometres. A point without a place is named by its line.
 */
export function tracksFromGpx(text: string): TracksResult {
  if (!/<(?:\w+:)?gpx[\s>]/.test(text)) return { ok: false, message: 'there is no GPX track in it' };
  const tracks: GpxTrack[] = [];
  const skipped: string[] = [];
  for (const block of text.matchAll(/<(?:\w+:)?(trk|rte)\b[^>]*>([^]*?)<\/(?:\w+:)?\1>/g)) {
    const inner = block[2] ?? '';
    const places: Vec[] = [];
    for (const match of inner.matchAll(POINT)) {
      const lat = attribute(match[2] ?? '', 'lat');
      const lon = attribute(match[2] ?? '', 'lon');
      if (lat !== undefined && lon !== undefined && Math.abs(lat) <= 90 && Math.abs(lon) <= 540)
        places.push([lon, lat]);
      else
        skipped.push(
          `line ${lineAt(text, (block.index ?? 0) + (block[0].indexOf(inner) + (match.index ?? 0)))}: a point without a place`,
        );
    }
    const name = /<(?:\w+:)?name>\s*(?:<!\[CDATA\[)?([^<\]]*)/.exec(inner)?.[1]?.trim();
    if (places.length > 1) tracks.push({ name: name || `Track ${tracks.length + 1}`, points: inMetres(places) });
  }
  if (tracks.length === 0) return { ok: false, message: skipped[0] ?? 'no track in it has two points' };
  return { ok: true, tracks, skipped };
}

function attribute(text: string, name: string): number | undefined {
  const value = new RegExp(`\\b${name}\\s*=\\s*["']\\s*([-+\\d.eE]+)\\s*["']`).exec(text)?.[1];
  const number = Number(value);
  return value !== undefined && Number.isFinite(number) ? number : undefined;
}

const lineAt = (text: string, index: number): number => text.slice(0, index).split('\n').length;

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
