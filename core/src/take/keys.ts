import type { Curve } from './curve.ts';
import type { Drawn } from './drawn-art.ts';
import type { Take } from './take.ts';

/** Keys that a writer writes: of the way that is taken for each rider; what another's keys serve for has none, what comes back has those of one way. */
export const keysOf = ({ drawing }: Take): number => drawing.reduce((sum, drawn) => sum + keysOfOne(drawn), 0);

function keysOfOne(drawn: Drawn): number {
  if (drawn.kind === 'stroke') {
    const { share, sharing, frame } = drawn;
    return moving([
      ...[share, sharing.entering].filter((one) => one !== null),
      ...curvesIn(frame?.curves),
      ...curvesIn(frame?.entering),
    ]);
  }
  const { curves, along, echo, mirrored, entering } = drawn;
  if (echo) return 0;
  const enter = moving(curvesIn(entering));
  const keys = along ? moving([along.share, ...Object.values(along.rest)]) : moving(Object.values(curves));
  return enter + (mirrored ? Math.ceil(keys / 2) : keys);
}

const curvesIn = (all: Readonly<Record<string, Curve>> | null | undefined): Curve[] => Object.values(all ?? {});

const moving = (curves: readonly Curve[]): number =>
  curves.reduce((sum, { length }) => sum + (length > 1 ? length : 0), 0);
