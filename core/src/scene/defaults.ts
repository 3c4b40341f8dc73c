import { SCENE_FORMAT, SCENE_VERSION, type Scene } from './schema.ts';

/** Route colours: told apart by people with colour-vision deficiencies too, and readable on paper. */
export const ROUTE_COLORS = ['#0B7A75', '#3D5A99', '#7A3E7E', '#A3471F', '#55752A', '#A86F0B'] as const;

/** A new scene: a landscape canvas, four seconds, nothing on it. */
export function emptyScene(name: string): Scene {
  return {
    format: SCENE_FORMAT,
    version: SCENE_VERSION,
    name,
    canvas: { width: 1280, height: 720, background: '#F7F3EA' },
    clock: { duration: 4, fps: 30, repeat: 'loop' },
    art: [],
    guides: [],
    riders: [],
    tracing: [],
    assets: {},
  };
}
