import type { Curve } from './curve.ts';
import type { Drawn } from './drawn-art.ts';
import type { Take } from './take.ts';

/** Keys that a writer writes: of the way that is taken for each rider; what another's keys serve for has none, what comes back has those of one way. */
export const keysOf = ({ drawing }: Take): number => drawing.reduce((sum, drawn) => sum + keysOfOne(drawn), 0);

function keysOfOne(drawn: Drawn): number {
  if (drawn.kind === 'stroke')
    return moving([drawn.share ?? [], drawn.frame?.curves, drawn.frame?.entering].flatMap(curvesIn));
  const { curves, along, echo, mirrored, entering } = drawn;
  if (echo) return 0;
  const enter = moving(curvesIn(entering));
  const keys = along ? moving([along.share, ...Object.values(along.rest)]) : moving(Object.values(curves));
  return enter + (mirrored ? Math.ceil(keys / 2) : keys);
}

const curvesIn = (all: Curve | Readonly<Record<string, Curve>> | null | undefined): Curve[] =>
  !all ? [] : Array.isArray(all) ? [all as Curve] : Object.values(all as Readonly<Record<string, Curve>>);

const moving = (curves: readonly Curve[]): number =>
  curves.reduce((sum, { length }) => sum + (length > 1 ? length : 0), 0);
