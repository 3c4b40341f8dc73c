import { pathOfGuide, prepare, whipOf, type Guide, type Rider } from '@pace-line/core';
import { useDocumentState } from '../../../document/index.ts';

/** Says where a lift is greater than the radius of a bend. */
export function WhipNote({ rider, guide }: { rider: Rider; guide: Guide }) {
  const scene = useDocumentState((state) => state.shown);
  const moving = prepare(scene).rider(rider.id);
  if (rider.liftBy !== 'normal' || rider.roll || !moving?.line) return null;
  const path = pathOfGuide(guide);
  const lifts = [rider.lift, ...rider.keys.lift.map(({ value }) => rider.lift + value)];
  const [low, high] = moving.line.range();
  const [from, to] = path.isClosed && high - low >= path.length ? [0, path.length] : [low, high];
  const whips = [Math.max(...lifts), Math.min(...lifts)].flatMap((lift) => whipOf(path, lift, from, to) ?? []);
  const whip = whips.sort((a, b) => a.radius - b.radius)[0];
  if (!whip) return null;
  const bend = whip.radius === 0 ? 'the corner' : `the bend of radius ${Math.round(whip.radius)} px`;
  return (
    <p className="card-note">
      On the inner side of {bend} at {Math.round(whip.distance)} px this lift is too large: it runs backward there. Add
      “Offset direction” to lift it straight up, or rounded over a long stretch.
    </p>
  );
}
