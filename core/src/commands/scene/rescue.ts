import {
  emptyScene,
  MOST,
  MOST_NODES,
  partTrouble,
  problemsOf,
  wordingOf,
  type Guide,
  type Rider,
  type Scene,
} from '../../scene/index.ts';
import { withoutLoose } from '../loose.ts';
import { withCarriers } from '../rider/carriers.ts';
import { withUsedAssets } from './assets.ts';

/** A scene cut to what its file holds, and what was cut, a line each. */
export interface Rescued {
  readonly scene: Scene;
  readonly cut: readonly string[];
}

/** Parts of a list that pass for themselves, as many as there may be; what is left out is named. */
function sound<K extends 'art' | 'guides' | 'riders' | 'tracing'>(list: K, parts: Scene[K], cut: string[]): Scene[K] {
  const kept = (parts as readonly Scene[K][number][]).filter((part, i) => {
    const trouble = i >= MOST[list] ? `more than ${MOST[list]}` : partTrouble(list, part);
    if (trouble !== undefined) cut.push(`“${part.name}” was left out: ${trouble}`);
    return trouble === undefined;
  });
  return kept as unknown as Scene[K];
}

/** A guide with every so many of its nodes, where it has more than its file holds. */
function thinned(guide: Guide, cut: string[]): Guide {
  const count = guide.nodes.length;
  if (count <= MOST_NODES) return guide;
  cut.push(`“${guide.name}” has ${MOST_NODES} of its ${count} nodes`);
  const step = (count - 1) / (MOST_NODES - 1);
  const nodes = Array.from({ length: MOST_NODES }, (_, i) => guide.nodes[Math.round(i * step)]);
  const { shape: _shape, ...plain } = guide;
  return { ...plain, nodes: nodes.flatMap((node) => (node ? [node] : [])) };
}

/** A rider whose marks are on nodes that are there. */
function standing(rider: Rider, nodes: ReadonlyMap<string, ReadonlySet<string>>, cut: string[]): Rider {
  const guide = rider.guide !== null && nodes.has(rider.guide) ? rider.guide : null;
  const known = guide === null ? undefined : nodes.get(guide);
  const marks = rider.pace.marks.filter(({ place }) => place.by !== 'node' || known?.has(place.node));
  const lost = rider.pace.marks.length - marks.length;
  if (guide === rider.guide && lost === 0) return rider;
  if (lost > 0) cut.push(`“${rider.name}” lost ${lost} of its marks`);
  return { ...rider, guide, pace: { ...rider.pace, marks } };
}

/** What a scene says of itself, apart from its parts. */
const FRAME = ['name', 'canvas', 'clock', 'driver', 'camera', 'sets'] as const;

/** A scene of which canvas, clock and the like are those of an empty one where its own do not pass. */
function framed(scene: Scene, cut: string[]): Scene {
  const plain = emptyScene('Rescued scene');
  return FRAME.reduce((now, key) => {
    const problem = problemsOf(now, false).find(({ path }) => path.split('.')[0] === key);
    if (!problem) return now;
    cut.push(`its ${key} is that of a new scene: ${wordingOf(problem)}`);
    return { ...now, [key]: plain[key] };
  }, scene);
}

/**
 * A scene as a file that can be opened, whatever is wrong with it: where it is sound, as it is; else without what its file would refuse. Nothing makes such a scene that
 * is known of; this is what is left where something does.
 */
export function rescued(scene: Scene): Rescued {
  if (problemsOf(scene).length === 0) return { scene, cut: [] };
  const cut: string[] = [];
  const art = sound('art', scene.art, cut);
  const guides = sound(
    'guides',
    scene.guides.map((guide) => thinned(guide, cut)),
    cut,
  );
  const arts = new Set(art.map(({ id }) => id));
  const nodes = new Map(guides.map((guide) => [guide.id, new Set(guide.nodes.map(({ id }) => id))]));
  const riders = sound('riders', scene.riders, cut)
    .filter((rider) => arts.has(rider.art))
    .map((rider) => standing(rider, nodes, cut));
  const tracing = sound('tracing', scene.tracing, cut);
  const tidy = framed(withUsedAssets(withoutLoose(withCarriers({ ...scene, art, guides, riders, tracing }))), cut);
  const [problem] = problemsOf(tidy);
  if (!problem) return { scene: tidy, cut };
  // What joins the parts is broken beyond that: the ways at least are kept.
  const bare: Scene = {
    ...emptyScene(scene.name),
    guides: guides.map(({ link: _link, stroke: _stroke, ...one }) => ({ ...one, carrier: null })),
  };
  return { scene: bare, cut: [...cut, `only its guides were kept: ${wordingOf(problem)}`] };
}
