import { formatNumber, landmarksOf, nodeIndex, pathOfGuide, type Guide, type Rider } from '@pace-line/core';
import { nodeLabel } from '../labels.ts';
import { multiples, roundStep, xOf, yOf, type SheetScale } from './scale.ts';

/** Distances within 6 px of a node's height are at the node; where landmarks are snapped to, of one of theirs too. */
export function snappedToPlace(guide: Guide, scale: SheetScale, distance: number, landmarks: boolean): number {
  const path = pathOfGuide(guide);
  const nodes = guide.closed ? path.starts.subarray(0, -1) : path.starts;
  const places = landmarks ? [...nodes, ...landmarksOf(path).map((one) => one.distance)] : nodes;
  const reach = (6 / (scale.bottom - scale.top)) * (scale.high - scale.low);
  const lap = guide.closed && path.length > 0 ? Math.floor(distance / path.length) : 0;
  let best = distance;
  let gap = reach;
  for (let k = lap; k <= lap + (guide.closed ? 1 : 0); k++)
    for (const start of places) {
      const s = start + k * path.length;
      if (Math.abs(s - distance) < gap) {
        gap = Math.abs(s - distance);
        best = s;
      }
    }
  return best;
}

/** The lap of a distance that lies on the sheet. */
export function lapNear(guide: Guide, distance: number, scale: SheetScale): number {
  const { length } = pathOfGuide(guide);
  if (!guide.closed || length === 0) return distance;
  let s = distance;
  while (s < scale.low) s += length;
  while (s > scale.high && s - length >= scale.low) s -= length;
  return s;
}

export interface Rule {
  readonly distance: number;
  readonly y: number;
  readonly label: string;
  readonly labelled: boolean;
}

/** Least px between two rules that both stand. */
const RULE_GAP = 16;

/** Nodes to which marks are tied, and the guide's ends, as heights; those closer than 16 px to a weightier one are left out. */
export function rulesOf(guide: Guide, riders: readonly Rider[], scale: SheetScale): Rule[] {
  const path = pathOfGuide(guide);
  const tied = new Set<number>();
  for (const rider of riders)
    for (const { place } of rider.pace.marks)
      if (place.by === 'node' && place.along === 0) tied.add(nodeIndex(guide, place.node));
  const found: { distance: number; label: string; weight: number }[] = [];
  const laps =
    guide.closed && path.length > 0 ? multiples(scale.low / path.length - 1, scale.high / path.length, 1) : [0];
  guide.nodes.forEach((node, i) => {
    const isEnd = i === 0 || (!guide.closed && i === guide.nodes.length - 1);
    if (!tied.has(i) && !isEnd) return;
    for (const lap of laps) {
      const distance = (path.starts[i] ?? 0) + lap * path.length;
      if (distance >= scale.low && distance <= scale.high)
        found.push({ distance, label: nodeLabel(guide, node.id), weight: tied.has(i) ? 2 : 1 });
    }
  });
  const kept: Rule[] = [];
  for (const { distance, label } of found.sort((a, b) => b.weight - a.weight || a.distance - b.distance)) {
    const y = yOf(scale, distance);
    if (kept.every((rule) => Math.abs(rule.y - y) >= RULE_GAP)) kept.push({ distance, y, label, labelled: true });
  }
  return kept;
}

export function TimeRules({ scale, length, bottom }: { scale: SheetScale; length: number; bottom: number }) {
  const step = roundStep(scale.to - scale.from, scale.right - scale.left, 44);
  const px = ((scale.right - scale.left) / (scale.to - scale.from)) * step;
  const fine = step / (px >= 60 ? 5 : 2);
  const inside = (time: number): boolean => time >= -1e-9 && time <= length + 1e-9;
  return (
    <g aria-hidden>
      {multiples(scale.from, scale.to, fine)
        .filter(inside)
        .map((time) => (
          <line
            key={`f${time}`}
            className="time-rule fine"
            x1={xOf(scale, time)}
            x2={xOf(scale, time)}
            y1={scale.top}
            y2={scale.bottom}
          />
        ))}
      {multiples(scale.from, scale.to, step)
        .filter(inside)
        .map((time) => (
          <line
            key={time}
            className="time-rule"
            x1={xOf(scale, time)}
            x2={xOf(scale, time)}
            y1={scale.top}
            y2={bottom - 8}
          />
        ))}
    </g>
  );
}

export function TimeNames({ scale, length }: { scale: SheetScale; length: number }) {
  const step = roundStep(scale.to - scale.from, scale.right - scale.left, 44);
  return multiples(scale.from, scale.to, step)
    .filter((time) => time >= -1e-9 && time <= length + 1e-9)
    .map((time) => (
      <text key={time} className="time-name figures" x={xOf(scale, time)} y={17}>
        {formatNumber(time, 2)}
      </text>
    ));
}

/** Crests, troughs and tightest bends of the guide as faint heights. */
export function LandmarkRules({ guide, scale }: { guide: Guide; scale: SheetScale }) {
  const path = pathOfGuide(guide);
  const laps =
    guide.closed && path.length > 0 ? multiples(scale.low / path.length - 1, scale.high / path.length, 1) : [0];
  const heights = landmarksOf(path)
    .slice(0, 200)
    .flatMap(({ distance }) => laps.map((lap) => distance + lap * path.length))
    .filter((distance) => distance >= scale.low && distance <= scale.high)
    .map((distance) => yOf(scale, distance));
  return heights.map((y, i) => (
    <line key={i} className="landmark-rule" x1={scale.left} x2={scale.right} y1={y} y2={y} />
  ));
}
