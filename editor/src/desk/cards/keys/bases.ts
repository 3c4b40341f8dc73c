import { setHeading, setRider, type KeyChannel, type Rider, type Scene } from '@pace-line/core';

/** What a channel's keyframes are on top of: the rider's constant value, and how both come together. */
export interface Base {
  readonly joined: 'sum' | 'product';
  readonly of: (rider: Rider) => readonly number[];
  readonly put: (scene: Scene, rider: Rider, value: readonly number[]) => Scene;
  /** What changing the constant is called where it is undone. */
  readonly undo: string;
}

const patched = (scene: Scene, { id }: Rider, patch: Parameters<typeof setRider>[1]['patch']): Scene =>
  setRider(scene, { id, patch });

/** The constants of channels that have one; of the others the keyframes are all there is. */
export const BASES: Readonly<Partial<Record<KeyChannel, Base>>> = {
  turn: {
    joined: 'sum',
    of: ({ heading }) => [heading.offset],
    put: (scene, { id, heading }, [offset = 0]) =>
      setHeading(scene, { rider: id, heading: { ...heading, offset }, keepAngle: null }),
    undo: 'Rotate',
  },
  scale: {
    joined: 'product',
    of: ({ scale }) => scale,
    put: (scene, rider, [x = 1, y = 1]) => patched(scene, rider, { scale: [x, y] }),
    undo: 'Scale rider',
  },
  opacity: {
    joined: 'product',
    of: ({ opacity }) => [opacity],
    put: (scene, rider, [opacity = 1]) => patched(scene, rider, { opacity }),
    undo: 'Change opacity',
  },
  lift: {
    joined: 'sum',
    of: ({ lift }) => [lift],
    put: (scene, rider, [lift = 0]) => patched(scene, rider, { lift }),
    undo: 'Set lift',
  },
  lead: {
    joined: 'sum',
    of: ({ lead }) => [lead],
    put: (scene, rider, [lead = 0]) => patched(scene, rider, { lead }),
    undo: 'Set lead',
  },
};

/** The whole of a constant and a keyframe's value. */
export const whole = (base: Base | undefined, constant: readonly number[], key: readonly number[]): number[] =>
  key.map((value, i) =>
    base?.joined === 'sum' ? (constant[i] ?? 0) + value : base ? (constant[i] ?? 1) * value : value,
  );

/** The keyframe's value that makes such a whole. A constant of 0 cannot be made larger by it: then it is the value itself. */
export const keyFor = (base: Base | undefined, constant: readonly number[], wanted: readonly number[]): number[] =>
  wanted.map((value, i) => {
    if (!base) return value;
    const of = constant[i] ?? (base.joined === 'sum' ? 0 : 1);
    if (base.joined === 'sum') return value - of;
    return of === 0 ? value : value / of;
  });
