import type { PathNode } from '../span.ts';
import { subtract, type Vec } from '../vec.ts';
import { fitCubic, PATIENT_ROUNDS } from './cubic.ts';
import { runOf } from './points.ts';
import { fitRun, nodesOfPieces, type TangentAt } from './run.ts';

/** A point of an exactly known curve with its unit tangent. */
export interface Sample {
  readonly x: number;
  readonly y: number;
  readonly tangentX: number;
  readonly tangentY: number;
}

/** Fits one smooth, exactly known curve with few cubics; the tangents at the joints are those of the samples. */
export function fitSamples(samples: readonly Sample[], tolerance: number): PathNode[] {
  const kept = samples.filter((one, i) => {
    const last = samples[i - 1];
    return !last || Math.hypot(one.x - last.x, one.y - last.y) > 1e-9;
  });
  const [first] = kept;
  if (!first) return [];
  if (kept.length === 1) return [{ x: first.x, y: first.y }];
  const run = runOf(kept.map(({ x, y }): Vec => [x, y]));
  const tangent: TangentAt = (i) => [kept[i]?.tangentX ?? 1, kept[i]?.tangentY ?? 0];
  return nodesOfPieces(fitRun(run, 0, kept.length - 1, tangent, tolerance));
}

/** The one cubic with the samples' end tangents that lies nearest to them: its handles at both ends. */
export function fitOneCubic(samples: readonly Sample[]): { out: Vec; in: Vec; off: number } | undefined {
  const first = samples[0];
  const last = samples[samples.length - 1];
  if (!first || !last || samples.length < 2) return undefined;
  const run = runOf(samples.map(({ x, y }): Vec => [x, y]));
  const { cubic, off } = fitCubic(
    run,
    0,
    samples.length - 1,
    [first.tangentX, first.tangentY],
    [last.tangentX, last.tangentY],
    1e-3,
    Infinity,
    PATIENT_ROUNDS,
  );
  return { out: subtract(cubic[1], cubic[0]), in: subtract(cubic[2], cubic[3]), off };
}
