import type { Rider, Scene } from '../scene/index.ts';

/** What refers to riders, marks and guides that an edit has taken away, or to ones that do not fit any more, is let go of. The same scene where nothing is loose. */
export function withoutLoose(scene: Scene): Scene {
  const riders = new Map(scene.riders.map((rider) => [rider.id, rider]));
  const shapes = new Set(scene.guides.flatMap((guide) => (guide.closed ? [guide.id] : [])));
  const tidied = scene.riders.map((rider) => (isPlain(rider) ? rider : tidy(rider, riders, shapes)));
  const camera = scene.camera !== null && !riders.has(scene.camera) ? null : scene.camera;
  if (camera === scene.camera && tidied.every((rider, i) => rider === scene.riders[i])) return scene;
  return { ...scene, camera, riders: tidied };
}

const isPlain = ({ strung, behind, inside, poses }: Rider): boolean =>
  !strung && behind.length === 0 && !inside && !poses.mark;

function tidy(rider: Rider, riders: ReadonlyMap<string, Rider>, shapes: ReadonlySet<string>): Rider {
  const { strung, behind, inside, poses, guide, carrier, roll, pace } = rider;
  const isStrung = strung && guide === null && !carrier && !roll && riders.has(strung.from) && riders.has(strung.to);
  const marks = new Set(pace.marks.map(({ id }) => id));
  const kept = behind.filter(
    (one) =>
      riders.has(one.rider) &&
      one.rider !== rider.id &&
      (one.by === 'places' || (marks.has(one.from) && marks.has(one.to))),
  );
  const isMarked = poses.mark && riders.get(poses.mark.rider)?.pace.marks.some(({ id }) => id === poses.mark?.mark);
  const isClipped = inside && shapes.has(inside.guide);
  if ((isStrung || !strung) && kept.length === behind.length && (isMarked || !poses.mark) && (isClipped || !inside))
    return rider;
  return {
    ...rider,
    strung: isStrung ? strung : null,
    behind: kept.length === behind.length ? behind : kept,
    inside: isClipped ? inside : null,
    poses: isMarked || !poses.mark ? poses : { ...poses, mark: null },
  };
}
