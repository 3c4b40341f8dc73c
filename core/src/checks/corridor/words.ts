import { guideById, riderById, type Area, type Bound, type Scene } from '../../scene/index.ts';
import type { Depth } from './depth.ts';

/** A rider that leaves what it has to stay within, or enters what it has to stay out of. */
export interface CorridorFinding extends Depth {
  readonly bound: Bound;
  readonly spans: readonly (readonly [from: number, to: number])[];
}

/** The area as its findings name it. */
function areaWords(scene: Scene, area: Area): string {
  const guide = (id: string): string => `“${guideById(scene, id)?.name ?? id}”`;
  switch (area.kind) {
    case 'lane':
      return `the lane of ${guide(area.guide)}`;
    case 'inside':
      return guide(area.guide);
    case 'between':
      return `the track of ${guide(area.guides[0])} and ${guide(area.guides[1])}`;
    case 'art':
      return `“${riderById(scene, area.rider)?.name ?? area.rider}”${area.part === null ? '' : ` (${area.part})`}`;
  }
}

/** When, and by how much, a rider is where it has to keep from. */
export function corridorWords(scene: Scene, { bound, depth, spans }: CorridorFinding): string {
  const [first] = spans;
  const when = first ? `${first[0].toFixed(2)}–${first[1].toFixed(2)} s` : '';
  const more = spans.length > 1 ? `, ${spans.length} times` : '';
  const verb = bound.side === 'in' ? 'leaves' : 'enters';
  return `${verb} ${areaWords(scene, bound.area)} by ${depth.toFixed(1)} px, ${when}${more}`;
}
