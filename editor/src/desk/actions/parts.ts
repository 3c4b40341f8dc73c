import {
  addArt,
  addGuides,
  addRider,
  freeId,
  freeName,
  idsIn,
  newRider,
  restackRider,
  type Outline,
  type Scene,
} from '@pace-line/core';
import type { DrawingPart } from '@pace-line/core/art-import';
import { NOTHING } from '../../document/index.ts';
import { guidesAlong } from '../../tools/index.ts';
import type { Desk } from '../desk.ts';
import type { TakenApart } from '../view.ts';
import { change } from './change.ts';
import { keepBefore } from './saving.ts';

/** What a part of a drawing becomes. */
export type Role = 'guide' | 'rider' | 'scenery' | 'none';

/** A line without a fill looks like a guide, the rest like scenery. */
export const roleAtFirst = (part: DrawingPart): Role => (part.looksLike === 'guide' ? 'guide' : 'scenery');

/** Brings in the parts of a drawing, each as its role, as one step of undo, and selects the guides, else the riders. */
export function bringInParts(desk: Desk, apart: TakenApart, roles: readonly Role[]): void {
  const made: Made = { guides: [], riders: [] };
  keepBefore(desk);
  change(desk, `Bring in ${apart.name}`, (scene) => placeParts(scene, apart, roles, made));
  desk.doc.select({ ...NOTHING, guides: made.guides, riders: made.guides.length > 0 ? [] : made.riders });
}

/** Ids of what was made to be worked on. */
interface Made {
  readonly guides: string[];
  readonly riders: string[];
}

/** Where a drawing lies on the canvas: in its middle, made smaller if it is larger. */
interface Fit {
  readonly scale: number;
  readonly dx: number;
  readonly dy: number;
}

function fitOf({ canvas }: Scene, drawing: { readonly width: number; readonly height: number }): Fit {
  const scale = Math.min(1, canvas.width / drawing.width, canvas.height / drawing.height);
  return {
    scale,
    dx: (canvas.width - drawing.width * scale) / 2,
    dy: (canvas.height - drawing.height * scale) / 2,
  };
}

/** Riders at the bottom of a scene that are scenery: nothing that is worked on lies below them. */
function sceneryIn({ riders }: Scene): number {
  const first = riders.findIndex(({ locked, guide }) => !locked || guide !== null);
  return first < 0 ? riders.length : first;
}

/**
 * The scene with the parts put where they are in their drawing, those that are drawn in its order: scenery below its first rider goes behind all riders, over the scenery that is there; what comes
 * after it in the drawing lies over it, scenery as well.
 */
function placeParts(scene: Scene, { name, parts: drawing }: TakenApart, roles: readonly Role[], made: Made): Scene {
  const fit = fitOf(scene, drawing);
  const along = guidesAlong(scene);
  const guides = drawing.parts.flatMap((part, i) =>
    roles[i] === 'guide'
      ? part.outlines
          .filter((outline) => outline.nodes.length > 1)
          .map((outline) => along(fitted(outline, fit), part.name))
      : [],
  );
  made.guides.push(...guides.map(({ id }) => id));
  let behind = sceneryIn(scene);
  const firstRider = roles.indexOf('rider');
  return drawing.parts.reduce(
    (sum, part, i) => {
      const role = roles[i] ?? 'none';
      if (role === 'none' || role === 'guide') return sum;
      const artId = freeId(idsIn(sum), `art-${name}-${i + 1}`.toLowerCase().replace(/[^a-z0-9-]+/g, '-'));
      const isBelow = role === 'scenery' && (firstRider < 0 || i < firstRider);
      const to = isBelow ? behind++ : sum.riders.length;
      return withRider(sum, part, artId, fit, { to, isScenery: role === 'scenery', made });
    },
    addGuides(scene, { guides }),
  );
}

const fitted = ({ nodes, closed }: Outline, { scale, dx, dy }: Fit): Outline => {
  const at = (v: readonly [number, number] | undefined): readonly [number, number] | undefined =>
    v && [v[0] * scale, v[1] * scale];
  return {
    closed,
    nodes: nodes.map((node) => ({
      x: node.x * scale + dx,
      y: node.y * scale + dy,
      in: at(node.in),
      out: at(node.out),
    })),
  };
};

/** Where a part comes to lie in the order of riders, and what it is. */
interface Lying {
  readonly to: number;
  readonly isScenery: boolean;
  readonly made: Made;
}

/** The part as art with a parked rider: scenery, locked; else one that is to be worked on. */
function withRider(scene: Scene, part: DrawingPart, artId: string, fit: Fit, { to, isScenery, made }: Lying): Scene {
  const { markup, width, height } = part.art;
  const art = { id: artId, name: part.name, kind: 'svg' as const, markup, width, height, facing: 0 };
  const sum = addArt(scene, { art: { ...art, pivot: [width / 2, height / 2] } });
  const id = freeId(idsIn(sum), `${artId}-rider`);
  const rider = newRider({
    id,
    name: freeName(
      sum.riders.map((one) => one.name),
      part.name,
    ),
    art: artId,
    at: [(part.x + width / 2) * fit.scale + fit.dx, (part.y + height / 2) * fit.scale + fit.dy],
    scale: [fit.scale, fit.scale],
    locked: isScenery,
  });
  const withIt = addRider(sum, { rider });
  if (!isScenery) made.riders.push(id);
  return restackRider(withIt, { id, to });
}
