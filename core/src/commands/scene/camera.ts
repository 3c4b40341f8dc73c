import { command, missingRider } from '../command.ts';

/** Looks at the scene through a rider, or at the canvas as it is. What becomes the camera is not sent from then on, what no longer is it is sent again. */
export const setCamera = command<{ rider: string | null }>(
  (scene, { rider }) => (rider === null ? undefined : missingRider(scene, rider)),
  (scene, { rider }) => {
    if (scene.camera === rider) return scene;
    // What it is drawn as is a frame to work with: in the picture it would cover all.
    const riders = scene.riders.map((one) =>
      one.id === rider || one.id === scene.camera ? { ...one, output: one.id !== rider } : one,
    );
    return { ...scene, camera: rider, riders };
  },
);
