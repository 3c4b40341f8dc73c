import { svgElement } from './stage/svg.ts';

type Value = string | number | null | undefined;

/** Attributes as SVG has them; `key` tells a shape from its siblings, and stays with it wherever it stands among them. */
export type Attributes = Readonly<Record<string, Value>> & { readonly key?: string };

/** An element as it should be. It is not changed once it is made: the same object is what is drawn already. */
export interface Shape {
  readonly tag: keyof SVGElementTagNameMap;
  readonly attributes: Attributes;
  /** What is in it, or its text. */
  readonly inner: readonly Part[] | string;
}

/** What may stand in a list of shapes: a place that is empty keeps the places after it. */
export type Part = Shape | null | undefined | false;

export const shape = (tag: Shape['tag'], attributes: Attributes = {}, inner: readonly Part[] | string = []): Shape => ({
  tag,
  attributes,
  inner,
});

export const group = (attributes: Attributes, inner: readonly Part[]): Shape => shape('g', attributes, inner);

/** The same shape as long as it is made of the same: of each first, an object, the latest is kept. */
export function kept<K extends object, A extends readonly unknown[], S>(
  make: (of: K, ...more: A) => S,
): (of: K, ...more: A) => S {
  const known = new WeakMap<K, { readonly more: A; readonly made: S }>();
  return (of, ...more) => {
    const last = known.get(of);
    if (last && more.every((one, i) => one === last.more[i])) return last.made;
    const made = make(of, ...more);
    known.set(of, { more, made });
    return made;
  };
}

/** An element that stands, and the shape that it is drawn by. */
interface Standing {
  shape: Shape;
  readonly key: string;
  readonly element: SVGElement;
  inner: readonly Standing[];
}

/** What is drawn within one element: given anew in each frame, and only what differs from the last is written. */
export class Drawn {
  readonly #parent: Element;
  #standing: readonly Standing[] = [];

  constructor(parent: Element) {
    this.#parent = parent;
  }

  show(parts: readonly Part[]): void {
    this.#standing = redrawn(this.#parent, this.#standing, parts);
  }
}

const keyOf = ({ tag, attributes: { key } }: Shape, index: number): string => key ?? `${index} ${tag}`;

function redrawn(parent: Element, before: readonly Standing[], parts: readonly Part[]): readonly Standing[] {
  const after: Standing[] = [];
  let known: Map<string, Standing> | undefined;
  let isMoved = false;
  for (let i = 0; i < parts.length; i++) {
    const part = parts[i];
    if (!part) continue;
    const key = keyOf(part, i);
    const at = before[after.length];
    // Mostly what stood here is what stands here.
    let one = at?.key === key && !isMoved ? at : undefined;
    if (!one) {
      isMoved = true;
      known ??= new Map(before.slice(after.length).map((each) => [each.key, each]));
      one = known.get(key);
      known.delete(key);
    }
    if (one?.shape.tag === part.tag) update(one, part);
    else {
      one?.element.remove();
      one = { shape: part, key, element: created(part), inner: [] };
      one.inner = filled(one.element, part);
      isMoved = true;
    }
    after.push(one);
  }
  const gone = known ? [...known.values()] : before.slice(after.length);
  for (const { element } of gone) element.remove();
  if (isMoved) {
    let next = parent.firstChild;
    for (const { element } of after)
      if (element === next) next = next.nextSibling;
      else parent.insertBefore(element, next);
  }
  return after;
}

function created({ tag, attributes }: Shape): SVGElement {
  const element = svgElement(tag);
  for (const name in attributes) if (name !== 'key') write(element, name, attributes[name]);
  return element;
}

function filled(element: SVGElement, { inner }: Shape): readonly Standing[] {
  if (typeof inner !== 'string') return redrawn(element, [], inner);
  element.textContent = inner;
  return [];
}

function update(one: Standing, next: Shape): void {
  const { shape: last, element } = one;
  if (last === next) return;
  one.shape = next;
  for (const name in next.attributes)
    if (name !== 'key' && next.attributes[name] !== last.attributes[name]) write(element, name, next.attributes[name]);
  for (const name in last.attributes) if (!(name in next.attributes)) element.removeAttribute(name);
  if (next.inner === last.inner) return;
  if (typeof next.inner === 'string' || typeof last.inner === 'string') {
    element.replaceChildren();
    one.inner = filled(element, next);
  } else one.inner = redrawn(element, one.inner, next.inner);
}

function write(element: SVGElement, name: string, value: Value): void {
  // A policy may forbid style attributes; a script that sets them is its own.
  if (name === 'style') element.style.cssText = String(value ?? '');
  else if (value === null || value === undefined) element.removeAttribute(name);
  else element.setAttribute(name, String(value));
}
