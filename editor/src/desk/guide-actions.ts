import {
  addGuide,
  addLinked,
  canAddLinked,
  canJoinGuides,
  fitStroke,
  freeId,
  freeName,
  guideById,
  idsIn,
  joinGuides,
  matrixAbout,
  namedNode,
  nodesThrough,
  outlinesFromPathData,
  pathData,
  pathOfGuide,
  restartGuide,
  reverseGuide,
  splitGuide,
  straightenSpans,
  transformGuides,
  transformNodes,
  type Guide,
  type GuideLink,
  type Outline,
  type Reversal,
  type Scene,
  type Vec,
} from '@pace-line/core';
import { NOTHING, selectGuide, type KeptGuide, type Selection } from '../document/index.ts';
import { tell } from '../look/notices.tsx';
import { boundsOf, boxedOf, guideFrom, type Remembered } from '../tools/index.ts';

/** What guide actions need of the Desk's. */
interface DeskDeeds {
  readonly scene: Scene;
  readonly selection: Selection;
  do: (label: string, change: (scene: Scene) => Scene, selection?: Selection) => void;
  select: (selection: Selection) => void;
  remember: (made: Remembered) => void;
}

/** What can be done to guides as a whole, for buttons, menus and keys. */
export class GuideActions {
  readonly #desk: DeskDeeds;

  constructor(desk: DeskDeeds) {
    this.#desk = desk;
  }

  get #scene(): Scene {
    return this.#desk.scene;
  }

  reverse(guide: string, riders: Reversal): void {
    this.#desk.do('Reverse guide', (scene) => reverseGuide(scene, { guide, riders }));
  }

  startAt(guide: string, node: string): void {
    this.#desk.do('Start guide here', (scene) => restartGuide(scene, { guide, node }));
  }

  /** Splits an open guide, or opens a closed one, at a node. */
  splitAt(guide: Guide, node: string): void {
    const taken = idsIn(this.#scene);
    const args = {
      guide: guide.id,
      node,
      nodeId: freeId(taken, `${node}-b`),
      guideId: freeId(taken, guide.id),
      name: this.#name(guide.name),
    };
    this.#desk.do(guide.closed ? 'Open guide here' : 'Split guide', (scene) => splitGuide(scene, args));
  }

  /** Joins the two selected guides, or the selected one to that whose end lies nearest. */
  join(): void {
    const { guides } = this.#desk.selection;
    const [first] = guides;
    const second = guides[1] ?? (first === undefined ? undefined : this.#nearestEnd(first));
    if (first === undefined || second === undefined)
      return tell('Select an open guide; there must be another open one to join.');
    const refusal = canJoinGuides(this.#scene, { first, second });
    if (refusal) return tell(refusal.message);
    this.#desk.do('Join guides', (scene) => joinGuides(scene, { first, second }), selectGuide(first));
  }

  #nearestEnd(id: string): string | undefined {
    const guide = guideById(this.#scene, id);
    const ends = (one: Guide): (readonly [number, number])[] =>
      [one.nodes[0], one.nodes.at(-1)].flatMap((node) => (node ? [[node.x, node.y] as const] : []));
    if (!guide) return undefined;
    const others = this.#scene.guides.filter((one) => one.id !== id && !one.closed && !one.link && !one.locked);
    const gap = (one: Guide): number =>
      Math.min(...ends(guide).flatMap(([x, y]) => ends(one).map(([u, v]) => Math.hypot(x - u, y - v))));
    return others.sort((a, b) => gap(a) - gap(b))[0]?.id;
  }

  /** Makes the spans between selected nodes straight; with one node both of its spans, with none all. */
  straighten(guide: Guide, nodes: readonly string[]): void {
    const count = pathOfGuide(guide).spans.length;
    const chosen = guide.nodes.map((node) => nodes.includes(node.id));
    const spans = Array.from({ length: count }, (_, i) => i).filter((i) => {
      const end = (i + 1) % guide.nodes.length;
      if (nodes.length === 0) return true;
      return nodes.length === 1 ? chosen[i] || chosen[end] : chosen[i] && chosen[end];
    });
    if (spans.length > 0) this.#desk.do('Straighten', (scene) => straightenSpans(scene, { guide: guide.id, spans }));
  }

  /** Flips the selection about its middle. */
  flip(across: 'left-right' | 'up-down'): void {
    this.#transform('Flip', across === 'left-right' ? -1 : 1, across === 'left-right' ? 1 : -1, 0);
  }

  /** Scales the selection about its middle by a factor. */
  scale(factor: number): void {
    if (factor > 0) this.#transform('Scale', factor, factor, 0);
  }

  /** Turns the selection about its middle, degrees clockwise. */
  turn(degrees: number): void {
    this.#transform('Turn', 1, 1, (degrees * Math.PI) / 180);
  }

  #transform(label: string, scaleX: number, scaleY: number, angle: number): void {
    const boxed = boxedOf(this.#scene, this.#desk.selection);
    const box = boxed && boundsOf(this.#scene, boxed);
    if (!boxed || !box) return tell(`Select a guide, or several nodes of one, to ${label.toLowerCase()}.`);
    const matrix = matrixAbout([(box.left + box.right) / 2, (box.top + box.bottom) / 2], scaleX, scaleY, angle);
    this.#desk.do(label, (scene) =>
      boxed.kind === 'nodes'
        ? transformNodes(scene, { guide: boxed.guide, nodes: boxed.nodes, matrix })
        : transformGuides(scene, { ids: boxed.guides, matrix }),
    );
  }

  /** Adds a guide beside another one, or the same one elsewhere; `linked`: it follows from then on. */
  addLinked(original: Guide, link: GuideLink, linked: boolean): void {
    const id = freeId(idsIn(this.#scene), 'guide');
    const args = {
      id,
      name: this.#name(link.kind === 'parallel' ? `Beside ${original.name}` : original.name),
      link,
      linked,
    };
    const refusal = canAddLinked(this.#scene, args);
    if (refusal) return tell(refusal.message);
    this.#desk.do(
      link.kind === 'parallel' ? 'Add parallel' : 'Add linked copy',
      (scene) => addLinked(scene, args),
      selectGuide(id),
    );
  }

  /** Puts a guide as path data on the clipboard. */
  async copyPathData(guide: Guide): Promise<void> {
    const d = pathData(guide.nodes, guide.closed);
    try {
      await navigator.clipboard.writeText(d);
      tell(`“${guide.name}” was copied as path data.`);
    } catch {
      tell(d, 'The clipboard is not to be had; here is the path data:');
    }
  }

  /** Adds guides made of outlines, one each, where they are. */
  addOutlines(outlines: readonly Outline[], base: string, label: string): void {
    const drawn = outlines.filter((one) => one.nodes.length > 1);
    if (drawn.length === 0) return tell('There is no path with two points in it.');
    const made: string[] = [];
    this.#desk.do(label, (scene) =>
      drawn.reduce((sum, { nodes, closed }) => {
        const guide = guideFrom(
          sum,
          nodes.map((node) => ({ ...node, in: node.in, out: node.out, join: namedNode(node, '').join })),
          closed,
          base,
        );
        made.push(guide.id);
        return addGuide(sum, { guide });
      }, scene),
    );
    this.#desk.select({ ...NOTHING, guides: made });
  }

  /** A guide through a list of points: smooth through every one; its roundness can be changed on the guide card while the list is the last that came in. */
  addPoints(points: readonly Vec[], closed: boolean, base: string): void {
    this.addOutlines([outlineThrough(points, closed)], base, `Bring in ${base}`);
    const [guide] = this.#desk.selection.guides;
    if (guide !== undefined && points.length <= MOST_NODES)
      this.#desk.remember({ kind: 'points', guide, points, closed });
  }

  /** Path data pasted as text; gives false where it is none. */
  pastePathData(text: string): boolean {
    const d = text.trim();
    if (!/^[Mm]\s*[-+.\d]/.test(d) || d.length > 2_000_000) return false;
    const read = outlinesFromPathData(d);
    if (read.ok) this.addOutlines(read.outlines, 'Pasted path', 'Paste path data');
    else tell(read.message, 'The pasted path data was not taken in');
    return true;
  }

  /** Puts a kept guide into the scene with its middle at a point. */
  placeKept({ name, guide }: KeptGuide, [x, y]: readonly [number, number]): void {
    const box = pathOfGuide(guide).bounds;
    const dx = x - (box.left + box.right) / 2;
    const dy = y - (box.top + box.bottom) / 2;
    const scene = this.#scene;
    const nodes = guide.nodes.map((node) => ({ ...node, x: node.x + dx, y: node.y + dy }));
    const made: Guide = {
      ...guideFrom(scene, nodes, guide.closed, name),
      name: this.#name(name),
      corridor: guide.corridor,
      ...(guide.thickness === undefined ? {} : { thickness: guide.thickness }),
      ...(guide.shape ? { shape: { ...guide.shape, x: guide.shape.x + dx, y: guide.shape.y + dy } } : {}),
    };
    this.#desk.do(`Place ${name}`, (base) => addGuide(base, { guide: made }), selectGuide(made.id));
  }

  #name(base: string): string {
    return freeName(
      this.#scene.guides.map((one) => one.name),
      base,
    );
  }
}

/** Above this, points are a trail to be fitted, not nodes to be kept one by one. */
const MOST_NODES = 300;

/** An outline through points: smooth through every one, or, of very many, fitted within a px. */
export function outlineThrough(points: readonly Vec[], closed: boolean): Outline {
  if (points.length > MOST_NODES) return { nodes: fitStroke(points, { tolerance: 1 }).nodes, closed: false };
  return { nodes: nodesThrough(points, 1, closed), closed };
}
