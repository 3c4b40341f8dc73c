import type { Side } from '../geometry/index.ts';
import type { CompiledEase, DistanceLine } from '../pace/index.ts';
import type { DepthLine } from './depth-line.ts';

/** The distance line of a guide whose depth its riders' speed follows: a line over σ (see DepthLine), read as distance. */
export class DeepLine implements DistanceLine {
  readonly #line: DistanceLine;
  readonly #depth: DepthLine;
  readonly #work = new Float64Array(2);

  constructor(line: DistanceLine, depth: DepthLine) {
    this.#line = line;
    this.#depth = depth;
  }

  get isStill(): boolean {
    return this.#line.isStill;
  }

  distanceAt(local: number, side: Side = 1): number {
    this.#work[0] = local;
    this.advance(this.#work, side);
    return this.#work[0];
  }

  advance(work: Float64Array, side: Side): void {
    this.#line.advance(work, side);
    this.#depth.advance(work);
  }

  speedAt(local: number, side: Side = 1): number {
    this.#work[0] = this.distanceAt(local, side);
    this.#depth.factorAt(this.#work, 0, 1);
    return this.#line.speedAt(local, side) * (this.#work[1] ?? 1);
  }

  tangentSideAt(local: number, side: Side, direction: Side): Side {
    return this.#line.tangentSideAt(local, side, direction);
  }

  wayAt(local: number, side: Side, direction: Side): Side {
    return this.#line.wayAt(local, side, direction);
  }

  easeAfter(i: number): CompiledEase | undefined {
    return this.#line.easeAfter?.(i);
  }

  events(): readonly number[] {
    return this.#line.events();
  }

  range(): readonly [number, number] {
    const [low, high] = this.#line.range();
    const distanceOf = (sum: number): number => {
      this.#work[0] = sum;
      this.#depth.advance(this.#work);
      return this.#work[0];
    };
    return [distanceOf(low), distanceOf(high)];
  }
}
