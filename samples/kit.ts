import { readFileSync } from 'node:fs';
import {
  newRider,
  SCENE_FORMAT,
  SCENE_VERSION,
  sceneFromJson,
  type Art,
  type Mark,
  type Node,
  type Rider,
  type Scene,
} from '@pace-line/core';
import { readSvgArt } from '@pace-line/core/art-import';
import { findingsOf } from '@pace-line/core/findings';

export const { keys: NO_KEYS, poses: NO_POSES } = newRider({ id: '-', name: '', art: '-' });

/** A drawing's text as it lies beside this. */
export const drawingOf = (id: string): string => readFileSync(new URL(`./art/${id}.svg`, import.meta.url), 'utf8');

/** A drawing as art. */
export function art(id: string, name: string, pivot: [number, number], facing = 0): Art {
  const read = readSvgArt(drawingOf(id));
  if (!read.ok) throw new Error(`${id}.svg: ${read.message}`);
  const { markup, width, height } = read.art;
  return { id, name, kind: 'svg', markup, width, height, pivot, facing };
}

/** A drawing that stands where it is, from the canvas's corner. */
export const scenery = (artId: string, name: string): Rider =>
  newRider({ id: `scenery-${artId}`, name, art: artId, locked: true });

/** A corner, or with a handle a balanced node. */
export const node = (id: string, x: number, y: number, handle?: [number, number], more: Partial<Node> = {}): Node => ({
  id,
  x,
  y,
  ...(handle ? { in: [-handle[0], -handle[1]], out: handle } : {}),
  join: handle ? 'balanced' : 'corner',
  ...more,
});

export const at = (nodeId: string, lap = 0): Mark['place'] => ({ by: 'node', node: nodeId, along: 0, lap });

/** A scene with all that is not given as the schema has it. */
export const scene = (
  given: Omit<Scene, 'format' | 'version' | 'assets' | 'tracing' | 'camera' | 'driver' | 'sets' | 'checks' | 'clock'> &
    Partial<Pick<Scene, 'assets' | 'tracing' | 'camera' | 'driver' | 'sets' | 'checks'>> & {
      readonly clock: Omit<Scene['clock'], 'tempo' | 'times'>;
    },
): Scene => {
  const read = sceneFromJson({ format: SCENE_FORMAT, version: SCENE_VERSION, assets: {}, ...given });
  if (!read.ok) throw new Error(JSON.stringify(read.problems));
  return read.scene;
};

/** A scene in which everything that overlaps is meant to. */
export const overlapping = (scene: Scene, why: string): Scene => ({
  ...scene,
  checks: {
    ...scene.checks,
    meant: findingsOf(scene, ['clearance']).flatMap(({ check, riders, words, holds }) =>
      holds ? [] : [{ check, riders, found: words, why }],
    ),
  },
});
