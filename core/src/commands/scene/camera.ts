import { command, missingRider } from '../command.ts';

/** Looks at the scene through a rider, or at the canvas as it is. */
export const setCamera = command<{ rider: string | null }>(
  (scene, { rider }) => (rider === null ? undefined : missingRider(scene, rider)),
  (scene, { rider }) => ({
    ...scene,
    camera: rider,
    // What it is drawn as is a frame to work with: in the picture it would cover all.
    riders: scene.riders.map((one) => (one.id === rider && one.output ? { ...one, output: false } : one)),
  }),
);
