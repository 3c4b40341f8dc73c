import { EMPTY_BOX, productOf, unionOf, type Box, type Matrix } from '../../../geometry/index.ts';
import { UNPAINTED } from '../../../drawing/kinds.ts';
import { transformOf, viewMatrix } from '../../../drawing/matrices.ts';
import { movedOutline, pathDataOf } from '../../../drawing/outlines.ts';
import { outlinesFromPathData, type Outline } from '../../../drawing/path-data.ts';
import { rootOf, writeArtElement, type ArtElement, type Picture } from '../../../scene/index.ts';
import { NoShapeError } from './paints.ts';
import {
  idsOf,
  PAINTED,
  passedOn,
  reachesOut,
  refuseOthers,
  refuseRoot,
  shapesOf,
  shapesOfElement,
  shareOf,
  type Attributes,
  type Walk,
} from './shapes.ts';
import type { Json } from './values.ts';

/** What of a drawing lies together: shapes, seen within outlines where there are any, or a picture of what shapes cannot hold, and why. */
export type Part =
  | { readonly kind: 'shapes'; readonly shapes: readonly Json[]; readonly within: readonly Outline[] }
  | { readonly kind: 'image'; readonly why: string; readonly picture: Picture };

/** A drawing in parts, the foremost last, and what its shapes reach. */
export interface Parts {
  readonly parts: readonly Part[];
  readonly box: Box;
  /** What reaches out of its box is not seen. */
  readonly clipped: boolean;
}

/** Parts of one drawing: of what is in more, the whole is one image. */
const MOST_PARTS = 40;

const known = new WeakMap<Picture, Parts>();

/** A drawing as few parts as hold it; each made once. */
export function partsOf(picture: Picture): Parts {
  let found = known.get(picture);
  if (!found) known.set(picture, (found = madeOf(picture)));
  return found;
}

function madeOf(picture: Picture): Parts {
  const whole = shapesOf(picture);
  const box = { left: 0, top: 0, right: picture.width, bottom: picture.height };
  if (whole.ok) return { parts: [{ kind: 'shapes', shapes: whole.shapes, within: [] }], box, clipped: whole.clipped };
  const image: Parts = { parts: [{ kind: 'image', why: whole.why, picture }], box, clipped: true };
  if (picture.kind === 'image') return image;
  const root = rootOf(picture);
  const parting = new Parting(picture, root);
  try {
    refuseRoot(root);
  } catch (error) {
    if (error instanceof NoShapeError) return image;
    throw error;
  }
  parting.children(root, viewMatrix(root.attributes, picture.width, picture.height), {}, [root]);
  const { parts } = parting;
  const isWorthIt = parts.length <= MOST_PARTS && parts.some(({ kind }) => kind === 'shapes');
  const clipped = root.attributes['overflow'] !== 'visible' && reachesOut(parting.box, picture);
  return isWorthIt ? { parts, box: unionOf(box, parting.box), clipped } : image;
}

/** Goes through a drawing and puts what follows each other into as few parts as can be. */
class Parting {
  readonly parts: Part[] = [];
  box: Box = EMPTY_BOX;
  readonly #picture: Extract<Picture, { kind: 'svg' }>;
  readonly #byId: Walk['byId'];
  /** The elements of which the last part is a picture. */
  #shown = new Set<ArtElement>();

  constructor(picture: Extract<Picture, { kind: 'svg' }>, root: ArtElement) {
    this.#picture = picture;
    this.#byId = idsOf(root);
  }

  /** All that an element holds; `above`: the elements around it and itself, from the root. */
  children(element: ArtElement, matrix: Matrix, style: Attributes, above: readonly ArtElement[]): void {
    const passed = passedOn(style, element.attributes);
    for (const child of element.children)
      if (typeof child !== 'string' && !UNPAINTED.has(child.name)) this.#element(child, matrix, passed, above);
  }

  #element(child: ArtElement, matrix: Matrix, style: Attributes, above: readonly ArtElement[]): void {
    const why = this.#asShapes(child, matrix, style);
    if (why === undefined) return;
    if (isPlainGroup(child)) this.children(child, productOf(matrix, transformOf(child)), style, [...above, child]);
    else this.#asImage(child, why, above);
  }

  /** Adds it as shapes; what of it is none otherwise. */
  #asShapes(element: ArtElement, matrix: Matrix, style: Attributes): string | undefined {
    const walk: Walk = { byId: this.#byId, box: EMPTY_BOX };
    try {
      const { 'clip-path': clip, ...attributes } = element.attributes;
      const within =
        clip === undefined || clip === 'none' ? [] : this.#clip(clip, productOf(matrix, transformOf(element)));
      const shapes = shapesOfElement({ ...element, attributes }, matrix, style, walk);
      this.box = unionOf(this.box, walk.box);
      if (shapes.length === 0) return undefined;
      const last = this.parts[this.parts.length - 1];
      // The foremost first, within a part.
      if (last?.kind === 'shapes' && last.within.length === 0 && within.length === 0)
        this.parts[this.parts.length - 1] = { ...last, shapes: [...shapes, ...last.shapes] };
      else this.parts.push({ kind: 'shapes', shapes, within });
      return undefined;
    } catch (error) {
      if (error instanceof NoShapeError) return error.message;
      throw error;
    }
  }

  /** The outlines within which an element is seen: of a clip of plain shapes, each of one outline, whose fills together are what is seen. */
  #clip(reference: string, matrix: Matrix): Outline[] {
    const target = this.#byId.get(/^url\(["']?#([^"')]+)["']?\)$/.exec(reference.trim())?.[1] ?? '');
    if (target?.name !== 'clipPath') throw new NoShapeError('a clip that is not there');
    const { clipPathUnits = 'userSpaceOnUse', 'clip-path': further } = target.attributes;
    if (clipPathUnits !== 'userSpaceOnUse' || further !== undefined)
      throw new NoShapeError('a clip in shares, or of a clip');
    const plane = productOf(matrix, transformOf(target));
    const outlines = target.children.flatMap((child) => {
      if (typeof child === 'string' || child.attributes['display'] === 'none') return [];
      if (!PAINTED.has(child.name)) throw new NoShapeError(`a clip by <${child.name}>`);
      refuseOthers(child);
      const read = outlinesFromPathData(pathDataOf(child) ?? '');
      if (!read.ok || read.outlines.length !== 1) throw new NoShapeError('a clip of several outlines');
      return read.outlines.map((outline) =>
        movedOutline({ ...outline, closed: true }, productOf(plane, transformOf(child))),
      );
    });
    if (outlines.length === 0) throw new NoShapeError('a clip that is empty');
    return outlines;
  }

  #asImage(element: ArtElement, why: string, above: readonly ArtElement[]): void {
    const last = this.parts[this.parts.length - 1];
    if (last?.kind === 'image') {
      for (const one of [...above, element]) this.#shown.add(one);
      this.parts[this.parts.length - 1] = { ...last, picture: this.#pictureOfShown() };
      return;
    }
    this.#shown = new Set([...above, element]);
    this.parts.push({ kind: 'image', why: `it has ${why}`, picture: this.#pictureOfShown() });
  }

  /** The drawing with nothing else in it than what is shown, and what that refers to. */
  #pictureOfShown(): Picture {
    const leaves = this.#shown;
    const kept = (element: ArtElement): ArtElement => ({
      ...element,
      children: element.children.flatMap((child): (ArtElement | string)[] => {
        if (typeof child === 'string') return [child];
        if (UNPAINTED.has(child.name)) return [child];
        if (!leaves.has(child)) return [];
        // What is around others is shown for their sake.
        const isAround = child.children.some((one) => typeof one !== 'string' && leaves.has(one));
        return [isAround ? kept(child) : child];
      }),
    });
    return { ...this.#picture, markup: writeArtElement(kept(rootOf(this.#picture))) };
  }
}

/** Whether a group only moves and styles what it holds: then that can be taken apart. */
function isPlainGroup(element: ArtElement): boolean {
  if (element.name !== 'g' || shareOf(element.attributes['opacity']) !== 1) return false;
  try {
    refuseOthers(element);
    return true;
  } catch (error) {
    if (error instanceof NoShapeError) return false;
    throw error;
  }
}
