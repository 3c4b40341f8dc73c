import { nearestOnPath, parallelNodes, type PathNode, type Vec } from '../geometry/index.ts';
import {
  distanceOfPlace,
  guideById,
  pathOfGuide,
  placeAtDistance,
  type Guide,
  type GuideLink,
  type Node,
  type Scene,
} from '../scene/index.ts';
import { keysFollowed } from './key/follow.ts';
import { withoutLoose } from './loose.ts';
import { recipesFollowed } from './mark/cooked.ts';
import { withFitNames } from './names.ts';
import { SceneError } from './refusal.ts';
import { circleIn, withCarriers } from './rider/carriers.ts';
import { linksFollowed } from './rider/linked.ts';
import { pointOfPlace } from './places/places.ts';
import { byPoint, keepingSpans, remakeGuide } from './places/place-map.ts';

/**
 * What follows from an edit, whichever it was: a shape whose nodes were changed by hand is no longer live; guides that follow a changed one follow it,
 * and those whose original is gone stand on their own. Names are made to fit.
 */
export function settled(before: Scene, edited: Scene): Scene {
  const after = keysFollowed(before, recipesFollowed(before, linksFollowed(before, withFitNames(before, edited))));
  if (after.guides === before.guides)
    return after.riders === before.riders ? after : uncircled(withoutLoose(withCarriers(dropStrokes(after))));
  const was = new Map(before.guides.map((guide) => [guide.id, guide]));
  let scene = dropShapes(was, after);
  for (const guide of scene.guides) if (guide.link) scene = followed(was, scene, guide, guide.link);
  // Guides that followed have changed the ways of recipes too.
  const cooked = scene === after ? scene : keysFollowed(scene, recipesFollowed(after, scene));
  return uncircled(withoutLoose(withCarriers(dropStrokes(cooked))));
}

/** No edit may leave riders that depend on each other in a circle: nothing could be posed. */
function uncircled(scene: Scene): Scene {
  const refused = circleIn(scene);
  if (refused) throw new SceneError(refused);
  return scene;
}

function dropShapes(was: ReadonlyMap<string, Guide>, scene: Scene): Scene {
  const isEdited = (guide: Guide): boolean => {
    const old = was.get(guide.id);
    return (
      guide.shape !== undefined &&
      old !== undefined &&
      (old.nodes !== guide.nodes || old.closed !== guide.closed) &&
      old.shape === guide.shape
    );
  };
  if (!scene.guides.some(isEdited)) return scene;
  return {
    ...scene,
    guides: scene.guides.map((guide) => {
      if (!isEdited(guide)) return guide;
      const { shape: _shape, ...rest } = guide;
      return rest;
    }),
  };
}

/** A stroke may be drawn by a rider that is no longer there: then the guide is there whole. */
function dropStrokes(scene: Scene): Scene {
  const riders = new Set(scene.riders.map((rider) => rider.id));
  const isLost = ({ stroke }: Guide): boolean => stroke?.draws != null && !riders.has(stroke.draws);
  if (!scene.guides.some(isLost)) return scene;
  return {
    ...scene,
    guides: scene.guides.map((guide) =>
      guide.stroke && isLost(guide) ? { ...guide, stroke: { ...guide.stroke, draws: null } } : guide,
    ),
  };
}

/** The scene with a linked guide brought after its original. */
function followed(was: ReadonlyMap<string, Guide>, scene: Scene, guide: Guide, link: GuideLink): Scene {
  const original = guideById(scene, link.of);
  if (!original) {
    const { link: _link, ...rest } = guide;
    return { ...scene, guides: scene.guides.map((one) => (one.id === guide.id ? rest : one)) };
  }
  const old = was.get(guide.id);
  const oldOriginal = was.get(link.of);
  const isSame =
    old &&
    oldOriginal &&
    oldOriginal.nodes === original.nodes &&
    oldOriginal.closed === original.closed &&
    old.link === link;
  if (isSame) return scene;
  const next = linkedOutline(original, guide, link);
  if (!next) return scene;
  if (link.kind === 'copy' || !old || !oldOriginal) return remakeGuide(scene, next, keepingSpans(guide, next));
  const beside = byPoint(guide, next, (place) => alongside(oldOriginal, original, guide, place, link.distance));
  return remakeGuide(scene, next, beside);
}

/** The nodes that a link gives, with ids of their own; undefined where nothing is left of a parallel. */
export function linkedOutline(original: Guide, guide: Guide, link: GuideLink): Guide | undefined {
  if (link.kind === 'copy')
    return {
      ...guide,
      closed: original.closed,
      nodes: original.nodes.map((node): Node => ({
        ...node,
        id: `${guide.id}.${node.id}`,
        x: node.x + link.dx,
        y: node.y + link.dy,
      })),
    };
  const { nodes, closed } = parallelNodes(pathOfGuide(original), link.distance);
  if (nodes.length === 0) return undefined;
  return { ...guide, closed, nodes: nodes.map((node, i) => namedNode(node, `${guide.id}.p${i + 1}`)) };
}

/** A bare node as one of a guide: smooth where its handles lie in line. */
export function namedNode(node: PathNode, id: string): Node {
  const { in: a, out: b } = node;
  const inLine =
    a &&
    b &&
    Math.abs(a[0] * b[1] - a[1] * b[0]) <= 1e-4 * Math.hypot(...a) * Math.hypot(...b) &&
    a[0] * b[0] + a[1] * b[1] < 0;
  return { ...node, in: a, out: b, id, join: inLine ? 'smooth' : 'corner' };
}

/** Where a mark of a parallel guide goes when its original is bent: it stays beside the same place of the original. */
function alongside(
  old: Guide,
  now: Guide,
  parallel: Guide,
  place: Parameters<typeof pointOfPlace>[1],
  distance: number,
): Vec {
  const [x, y] = pointOfPlace(parallel, place);
  const foot = nearestOnPath(pathOfGuide(old), x, y);
  if (!foot) return [x, y];
  const beside = placeAtDistance(old, pathOfGuide(old), foot.distance);
  const stays = beside.by !== 'node' || now.nodes.some((node) => node.id === beside.node);
  const path = pathOfGuide(now);
  const s = stays ? distanceOfPlace(now, path, beside) : (nearestOnPath(path, x, y)?.distance ?? 0);
  const frame = path.frameAtDistance(s);
  return [frame.x + distance * frame.normalX, frame.y + distance * frame.normalY];
}
