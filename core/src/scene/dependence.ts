import type { Rider } from './schema/types.ts';

/** How many riders may follow from one another: each has to be posed for the next. */
export const MOST_DEEP = 8;

/** The riders that a rider's pose is made from: the one that carries it, the ones it is strung between, the one it looks toward, and the one whose mark its poses wait for. */
export function dependenciesOf(
  rider: Pick<Rider, 'id' | 'carrier' | 'heading' | 'strung' | 'poses'>,
): readonly string[] {
  const { carrier, heading, strung, poses } = rider;
  const needed = carrier ? [carrier.rider] : [];
  if (strung) needed.push(strung.from, strung.to);
  if (heading.mode === 'toward' && heading.target.kind === 'rider') needed.push(heading.target.rider);
  if (poses.by === 'mark' && poses.mark && poses.mark.rider !== rider.id) needed.push(poses.mark.rider);
  return needed;
}

/** Thrown where riders depend on each other in a circle; the schema and the commands refuse such scenes. */
export class CircleError extends Error {}

/** Indexes of the things in an order in which each comes after all that it depends on, else as they stood. */
export function orderOfDependence<T>(
  things: readonly T[],
  idOf: (thing: T) => string,
  dependsOn: (thing: T) => readonly string[],
): number[] {
  const indexes = new Map(things.map((thing, i) => [idOf(thing), i]));
  const order: number[] = [];
  const state = new Uint8Array(things.length);
  const visit = (i: number): void => {
    const thing = things[i];
    if (thing === undefined || state[i] === 2) return;
    if (state[i] === 1) throw new CircleError(`"${idOf(thing)}" depends on itself`);
    state[i] = 1;
    for (const id of dependsOn(thing)) {
      const at = indexes.get(id);
      if (at !== undefined) visit(at);
    }
    state[i] = 2;
    order.push(i);
  };
  things.forEach((_, i) => visit(i));
  return order;
}
