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

/** Riders of a guide with each mark put through a function; riders whose marks all stay keep their identity. */
export function mapMarks(scene: Scene, guideId: string, change: (mark: Mark, rider: Rider) => Mark): Scene {
  return {
    ...scene,
    riders: scene.riders.map((rider) => {
      if (rider.guide !== guideId) return rider;
      const marks = rider.pace.marks.map((mark) => change(mark, rider));
      if (marks.every((mark, i) => mark === rider.pace.marks[i])) return rider;
      return { ...rider, pace: { ...rider.pace, marks } };
    }),
  };
}
