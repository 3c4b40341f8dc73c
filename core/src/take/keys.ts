import type { Curve } from './curve.ts';
import type { Drawn } from './drawn-art.ts';
import type { Take } from './take.ts';

/** Keys that a writer writes: of the way that is taken for each rider; what another's keys serve for has none, what comes back has those of one way. */
export const keysOf = ({ drawing }: Take): number => drawing.reduce((sum, drawn) => sum + keysOfOne(drawn), 0);

function keysOfOne(drawn: Drawn): number {
  if (drawn.kind === 'stroke')
    return moving([...(drawn.share ? [drawn.share] : []), ...Object.values(drawn.frame?.curves ?? {})]);
  const { curves, along, echo, mirrored } = drawn;
  if (echo) return 0;
  const keys = along ? moving([along.share, ...Object.values(along.rest)]) : moving(Object.values(curves));
  return mirrored ? Math.ceil(keys / 2) : keys;
}

const moving = (curves: readonly Curve[]): number =>
  curves.reduce((sum, { length }) => sum + (length > 1 ? length : 0), 0);
