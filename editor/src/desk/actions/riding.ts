import {
  addArt,
  addRider,
  artById,
  detachRiders,
  freeId,
  freeName,
  idsIn,
  newRider,
  riderById,
  type Art,
  type ImageArt,
  type Rider,
  type Scene,
  type StripArt,
  type SvgArt,
  type Vec,
} from '@pace-line/core';
import type { ReadArt } from '@pace-line/core/art-import';
import { selectRider } from '../../document/index.ts';
import { sceneOf, type Desk } from '../desk.ts';
import { perform } from './change.ts';

/** A drawing as an art of the scene, which is not in it yet. */
export function newDrawing(desk: Desk, name: string, { markup, width, height }: ReadArt): SvgArt {
  const id = freeId(idsIn(sceneOf(desk)), idFrom(name, 'art'));
  return { id, name, kind: 'svg', markup, width, height, pivot: [width / 2, height / 2], facing: 0 };
}

/** Takes a drawing into the scene's art; gives its id, which is another where its own was given away meanwhile. */
export function takeInDrawing(desk: Desk, drawing: SvgArt): string {
  const id = freeId(idsIn(sceneOf(desk)), drawing.id);
  perform(desk, `Bring in ${drawing.name}`, addArt, { art: id === drawing.id ? drawing : { ...drawing, id } });
  return id;
}

/** Takes a drawing that was read into the scene's art at once; gives its id. */
export const bringInArt = (desk: Desk, name: string, read: ReadArt): string =>
  takeInDrawing(desk, newDrawing(desk, name, read));

/** Takes a picture into the scene's art with its pixels, base64; gives its id. */
export function bringInPicture(
  desk: Desk,
  name: string,
  picture: Pick<ImageArt, 'asset' | 'type' | 'width' | 'height'>,
  data: string,
): string {
  const id = freeId(idsIn(sceneOf(desk)), idFrom(name, 'art'));
  const { width, height } = picture;
  const art: Art = { id, name, kind: 'image', ...picture, pivot: [width / 2, height / 2], facing: 0 };
  perform(desk, `Bring in ${name}`, addArt, { art, data: { [picture.asset]: data } });
  return id;
}

/** Poses as they are read: what each shows, the size of all, and the pixels that they name, base64. */
export interface ReadPoses {
  readonly poses: StripArt['poses'];
  readonly width: number;
  readonly height: number;
  readonly assets: Scene['assets'];
}

/** Takes a strip of poses into the scene's art; gives its id. Its pivot is in the middle of its floor: most of what has poses walks. */
export function bringInStrip(desk: Desk, name: string, { poses, width, height, assets }: ReadPoses): string {
  const id = freeId(idsIn(sceneOf(desk)), idFrom(name, 'art'));
  const art: Art = { id, name, kind: 'strip', poses, width, height, pivot: [width / 2, height], facing: 0 };
  perform(desk, `Bring in ${name}`, addArt, { art, data: assets });
  return id;
}

/** A rider of an art that is not in the scene yet, with an id and a name that are free there. */
export function newRiderOf(desk: Desk, artId: string, at: Vec): Rider | undefined {
  const scene = sceneOf(desk);
  const art = artById(scene, artId);
  if (!art) return undefined;
  const id = freeId(idsIn(scene), idFrom(art.name, 'rider'));
  const name = freeName(
    scene.riders.map((rider) => rider.name),
    art.name,
  );
  return newRider({ id, name, art: artId, at });
}

/** Parks a new rider of an art at a point of the canvas, px. */
export function parkArt(desk: Desk, artId: string, at: Vec): void {
  const rider = newRiderOf(desk, artId, at);
  if (rider) perform(desk, `Place ${rider.name}`, addRider, { rider }, selectRider(rider.id));
}

/** Takes riders off their guides; they stay where they are. */
export function park(desk: Desk, ids: readonly string[]): void {
  const name = riderById(sceneOf(desk), ids[0] ?? '')?.name ?? 'rider';
  const label = ids.length > 1 ? `Park ${ids.length} riders` : `Park ${name}`;
  perform(desk, label, detachRiders, { ids, time: desk.playback.time });
}

const idFrom = (name: string, fallback: string): string =>
  name
    .toLowerCase()
    .replace(/[^a-z0-9]+/g, '-')
    .replace(/^-+|-+$/g, '')
    .slice(0, 40) || fallback;
