import { riderById, type Mark, type Place, type Scene } from '../../scene/index.ts';
import { replaceRider } from '../edits.ts';

/** The ends of a distance that a place may say, px. */
const FURTHEST = 1e6;

/**
 * The scene with one rider standing at a place of its guide at all times, to be looked at: `foot` px along it, as it would be posed there. It is not to be kept: its
 * marks are all at that place. The same scene where it has no guide.
 */
export function lookedAlong(scene: Scene, { rider: id, foot }: { rider: string; foot: number }): Scene {
  const rider = riderById(scene, id);
  if (!rider || rider.guide === null) return scene;
  const place: Place = { by: 'distance', value: Math.max(-FURTHEST, Math.min(FURTHEST, foot)) };
  const stand: Mark = { id: `${id}·look`, time: 0, place, dwell: 0, ease: { kind: 'steady' } };
  const { marks } = rider.pace;
  return replaceRider(scene, {
    ...rider,
    lead: 0,
    keys: { ...rider.keys, lead: [] },
    pace: {
      ...rider.pace,
      recipe: null,
      marks: marks.length === 0 ? [stand] : marks.map((mark) => ({ ...mark, place })),
    },
  });
}
