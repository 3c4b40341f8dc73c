import type { Guide, Mark, Rider, Scene } from '../scene/index.ts';

export const replaceGuide = (scene: Scene, guide: Guide): Scene => ({
  ...scene,
  guides: scene.guides.map((one) => (one.id === guide.id ? guide : one)),
});

export const replaceRider = (scene: Scene, rider: Rider): Scene => ({
  ...scene,
  riders: scene.riders.map((one) => (one.id === rider.id ? rider : one)),
});

export const replaceMark = (scene: Scene, rider: Rider, mark: Mark): Scene =>
  replaceRider(scene, {
    ...rider,
    pace: { ...rider.pace, marks: rider.pace.marks.map((one) => (one.id === mark.id ? mark : one)) },
  });
