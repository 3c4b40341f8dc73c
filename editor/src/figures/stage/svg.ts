/** The namespace of SVG's elements. */
const SVG = 'http://www.w3.org/2000/svg';

/** A new SVG element with its attributes. */
export function svgElement<K extends keyof SVGElementTagNameMap>(
  name: K,
  attributes: Readonly<Record<string, string>> = {},
): SVGElementTagNameMap[K] {
  const element = document.createElementNS(SVG, name);
  for (const [key, value] of Object.entries(attributes)) element.setAttribute(key, value);
  return element;
}

/** A hundred-thousandth is below what any zoom shows; short numbers parse fast. */
export const rounded = (value: number | undefined): number => Math.round((value ?? 0) * 1e5) / 1e5;

/** The matrix of a pose that begins at an index, as an attribute says it. */
export function matrixText(poses: Float64Array, at: number): string {
  const n = (k: number): number => rounded(poses[at + k]);
  return `matrix(${n(0)} ${n(1)} ${n(2)} ${n(3)} ${n(4)} ${n(5)})`;
}

/** Brings the children of a group into an order, moving as few as it can. */
export function arrange(group: SVGGElement, wanted: readonly SVGElement[]): void {
  let at: ChildNode | null = group.firstChild;
  for (const element of wanted) {
    if (element === at) at = at.nextSibling;
    else group.insertBefore(element, at);
  }
}
