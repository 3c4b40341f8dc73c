import type { Scene } from '../scene/index.ts';

const made = new WeakMap<Scene, Scene>();

/** A scene whose riders move between frames as well: positions held for some frames each leap by being held, and are meant to. */
export function unheld(scene: Scene): Scene {
  if (scene.riders.every(({ pace }) => pace.on === 1)) return scene;
  let free = made.get(scene);
  if (!free) {
    const riders = scene.riders.map((rider) =>
      rider.pace.on === 1 ? rider : { ...rider, pace: { ...rider.pace, on: 1 } },
    );
    made.set(scene, (free = { ...scene, riders }));
  }
  return free;
}
