import type { Path } from '../geometry/index.ts';
import { assertNever } from '../assert-never.ts';
import type { Guide, Place } from './schema/index.ts';

const indexes = new WeakMap<Guide['nodes'], Map<string, number>>();

/** Index of a node in its guide, or −1. */
export function nodeIndex(guide: Guide, id: string): number {
  let index = indexes.get(guide.nodes);
  if (!index) indexes.set(guide.nodes, (index = new Map(guide.nodes.map((node, i) => [node.id, i]))));
  return index.get(id) ?? -1;
}

/** Distance along the guide of a place, px, laps included. */
export function distanceOfPlace(guide: Guide, path: Path, place: Place): number {
  switch (place.by) {
    case 'node': {
      const index = nodeIndex(guide, place.node);
      if (index < 0) throw new Error(`The guide "${guide.name}" has no node "${place.node}"`);
      const span = path.spans[index];
      const start = path.starts[Math.min(index, path.spans.length)] ?? 0;
      return start + place.along * (span?.length ?? 0) + (path.isClosed ? place.lap * path.length : 0);
    }
    case 'share':
      return place.value * path.length;
    case 'distance':
      return path.isClosed ? place.value : Math.min(Math.max(place.value, 0), path.length);
    default:
      return assertNever(place);
  }
}

/**
 * The place at a distance: tied to a node and the span after it, so that bending the guide keeps it. Past the ends of an open guide, and on a
 * guide without length, a share says it.
 */
export function placeAtDistance(guide: Guide, path: Path, distance: number): Place {
  if (!(path.length > 0)) {
    const first = guide.nodes[0];
    return first ? { by: 'node', node: first.id, along: 0, lap: 0 } : { by: 'share', value: 0 };
  }
  const tolerance = 1e-9 * path.length;
  let lap = 0;
  let local = distance;
  if (path.isClosed) {
    lap = Math.floor(distance / path.length);
    local = distance - lap * path.length;
    if (path.length - local <= tolerance) {
      lap += 1;
      local = 0;
    }
  } else {
    if (local < -tolerance || local > path.length + tolerance) return { by: 'share', value: local / path.length };
    local = Math.min(Math.max(local, 0), path.length);
  }
  const last = guide.nodes[guide.nodes.length - 1];
  if (!path.isClosed && last && path.length - local <= tolerance)
    return { by: 'node', node: last.id, along: 0, lap: 0 };
  const index = path.spanAt(local, 1);
  const node = guide.nodes[index];
  const length = path.spans[index]?.length ?? 0;
  const along = length > 0 ? (local - (path.starts[index] ?? 0)) / length : 0;
  if (!node) return { by: 'share', value: distance / path.length };
  return { by: 'node', node: node.id, along: along <= 1e-12 ? 0 : Math.min(1, along), lap };
}
