import {
  addLinked,
  freeId,
  freeName,
  guideById,
  idsIn,
  joinGuides,
  pathOfGuide,
  restartGuide,
  reverseGuide,
  splitGuide,
  straightenSpans,
  type Guide,
  type GuideLink,
  type Reversal,
} from '@pace-line/core';
import { selectGuide } from '../../document/index.ts';
import { tell } from '../../look/notices.tsx';
import { sceneOf, selectionOf, type Desk } from '../desk.ts';
import { perform } from './change.ts';

/** A name that no guide has. */
export const freeGuideName = (desk: Desk, base: string): string =>
  freeName(
    sceneOf(desk).guides.map((one) => one.name),
    base,
  );

export function reverseDirection(desk: Desk, guide: string, riders: Reversal): void {
  perform(desk, 'Reverse guide', reverseGuide, { guide, riders });
}

export function startAtNode(desk: Desk, guide: string, node: string): void {
  perform(desk, 'Start guide at node', restartGuide, { guide, node });
}

/** Splits an open guide, or opens a closed one, at a node. */
export function splitAtNode(desk: Desk, guide: Guide, node: string): void {
  const taken = idsIn(sceneOf(desk));
  const args = {
    guide: guide.id,
    node,
    nodeId: freeId(taken, `${node}-b`),
    guideId: freeId(taken, guide.id),
    name: freeGuideName(desk, guide.name),
  };
  perform(desk, guide.closed ? 'Open guide here' : 'Split guide', splitGuide, args);
}

/** Joins the two selected guides, or the selected one to that whose end lies nearest. */
export function joinToNearest(desk: Desk): void {
  const { guides } = selectionOf(desk);
  const [first] = guides;
  const second = guides[1] ?? (first === undefined ? undefined : nearestEnd(desk, first));
  if (first === undefined || second === undefined)
    return tell('Select an open guide; there must be another open one to join.');
  perform(desk, 'Join guides', joinGuides, { first, second }, selectGuide(first));
}

function nearestEnd(desk: Desk, id: string): string | undefined {
  const guide = guideById(sceneOf(desk), id);
  const ends = (one: Guide): (readonly [number, number])[] =>
    [one.nodes[0], one.nodes.at(-1)].flatMap((node) => (node ? [[node.x, node.y] as const] : []));
  if (!guide) return undefined;
  const others = sceneOf(desk).guides.filter((one) => one.id !== id && !one.closed && !one.link && !one.locked);
  const gap = (one: Guide): number =>
    Math.min(...ends(guide).flatMap(([x, y]) => ends(one).map(([u, v]) => Math.hypot(x - u, y - v))));
  return others.sort((a, b) => gap(a) - gap(b))[0]?.id;
}

/** Makes the spans between selected nodes straight; with one node both of its spans, with none all. */
export function straightenBetween(desk: Desk, guide: Guide, nodes: readonly string[]): void {
  const count = pathOfGuide(guide).spans.length;
  const chosen = guide.nodes.map((node) => nodes.includes(node.id));
  const spans = Array.from({ length: count }, (_, i) => i).filter((i) => {
    const end = (i + 1) % guide.nodes.length;
    if (nodes.length === 0) return true;
    return nodes.length === 1 ? chosen[i] || chosen[end] : chosen[i] && chosen[end];
  });
  if (spans.length > 0) perform(desk, 'Straighten', straightenSpans, { guide: guide.id, spans });
}

/** Adds a guide beside another one, or the same one elsewhere; `linked`: it follows from then on. */
export function placeBeside(desk: Desk, original: Guide, link: GuideLink, linked: boolean): void {
  const id = freeId(idsIn(sceneOf(desk)), 'guide');
  const args = {
    id,
    name: freeGuideName(desk, link.kind === 'parallel' ? `Beside ${original.name}` : original.name),
    link,
    linked,
  };
  perform(desk, link.kind === 'parallel' ? 'Add parallel' : 'Add linked copy', addLinked, args, selectGuide(id));
}
