import DOMPurify from 'dompurify';
import {
  ALLOWED_ELEMENTS,
  isAllowedAttribute,
  LOCAL_REFERENCE,
  paintingOf,
  placedArt,
  type ImageArt,
  type Picture,
  type Scene,
  type SvgArt,
} from '@pace-line/core';
import { fromBase64 } from '../../platform/pixels.ts';
import { nextTurn } from '../../platform/turn.ts';

const purify = DOMPurify(window);

purify.addHook('uponSanitizeAttribute', (_node, data) => {
  if (data.attrName === 'href' || data.attrName === 'xlink:href') data.keepAttr = LOCAL_REFERENCE.test(data.attrValue);
  else if (isAllowedAttribute(data.attrName)) data.forceKeepAttr = true;
});

const SVG = 'http://www.w3.org/2000/svg';

const OPTIONS = {
  USE_PROFILES: { svg: true, svgFilters: true },
  ADD_TAGS: [...ALLOWED_ELEMENTS],
  NAMESPACE: SVG,
};

/** Markup as nodes of the page: nothing comes in but by here. */
export const throughGate = (markup: string): Element | null =>
  purify.sanitize(markup, { ...OPTIONS, RETURN_DOM_FRAGMENT: true }).firstElementChild;

/** Elements that are cleaned in one turn: some hundredths of a second. */
const MOST_AT_ONCE = 400;

/** The same for a drawing of any size, in turns: none of them holds the page up. */
export async function throughGateInTurns(markup: string): Promise<Element | null> {
  // Inert, as it belongs to no page: nothing in it is loaded, nothing runs.
  const root = new DOMParser().parseFromString(markup, 'image/svg+xml').documentElement;
  // What is no XML, as with a prefix that is not declared, is read as a page would.
  const isRead = root.localName === 'svg' && root.querySelector('parsererror') === null;
  return isRead && sizeOf(root) > MOST_AT_ONCE ? cleaned(root) : throughGate(markup);
}

const sizeOf = (node: Node): number => (node instanceof Element ? node.getElementsByTagName('*').length + 1 : 1);

/** Nodes that are cleaned where they stand, without those that may not come in. */
function cleanedAtOnce(nodes: readonly Node[], maker: Document): ChildNode[] {
  const holder = maker.createElementNS(SVG, 'svg');
  holder.append(...nodes);
  purify.sanitize(holder, { ...OPTIONS, IN_PLACE: true });
  return [...holder.childNodes];
}

/** An element with all that is in it: itself first, then its children, as many together as a turn holds. */
async function cleaned(element: Element): Promise<Element | null> {
  const children = [...element.childNodes];
  element.replaceChildren();
  const [own] = cleanedAtOnce([element], element.ownerDocument);
  if (!(own instanceof Element)) return null;
  let together: ChildNode[] = [];
  let size = 0;
  const flush = async (): Promise<void> => {
    own.append(...cleanedAtOnce(together, own.ownerDocument));
    [together, size] = [[], 0];
    await nextTurn();
  };
  for (const child of children) {
    const more = sizeOf(child);
    if (size + more > MOST_AT_ONCE) await flush();
    if (child instanceof Element && more > MOST_AT_ONCE)
      own.append(...[await cleaned(child)].filter((one) => one !== null));
    else {
      together.push(child);
      size += more;
    }
  }
  await flush();
  return own;
}

/** Addresses of pixels by their names: what is called by its SHA-256 is the same for ever. */
const addresses = new Map<string, string>();

function addressOf({ asset, type }: ImageArt, assets: Scene['assets']): string {
  let address = addresses.get(asset);
  if (address === undefined) {
    address = URL.createObjectURL(new Blob([fromBase64(assets[asset] ?? '')], { type }));
    addresses.set(asset, address);
  }
  return address;
}

function pictureNode(art: ImageArt, assets: Scene['assets']): SVGElement {
  const image = document.createElementNS('http://www.w3.org/2000/svg', 'image');
  image.setAttribute('width', String(art.width));
  image.setAttribute('height', String(art.height));
  image.setAttribute('preserveAspectRatio', 'none');
  image.setAttribute('href', addressOf(art, assets));
  return image;
}

const made = new WeakMap<Picture, DocumentFragment>();
let count = 0;

/** The drawing of an art as nodes, through the browser's last gate; a copy each time. Its ids begin with a number of its own: two arts never colour each other. */
export function artNodes(art: Picture, assets: Scene['assets']): DocumentFragment {
  const known = made.get(art);
  if (known) return known.cloneNode(true) as DocumentFragment;
  const nodes = art.kind === 'image' ? [pictureNode(art, assets)] : (throughGate(markupOf(art))?.childNodes ?? []);
  return keep(art, nodes).cloneNode(true) as DocumentFragment;
}

const markupOf = (art: Picture): string => `<svg xmlns="${SVG}">${placedArt(art, `a${++count}-`)}</svg>`;

function keep(art: Picture, nodes: Iterable<Node>): DocumentFragment {
  const fragment = document.createDocumentFragment();
  fragment.append(...nodes);
  made.set(art, fragment);
  return fragment;
}

/** Reads and cleans a drawing before a frame needs it, in turns of its own: what is heavy does not hold the page up. */
export async function readyToDraw(art: SvgArt): Promise<void> {
  await nextTurn();
  paintingOf(art);
  await nextTurn();
  const root = await throughGateInTurns(markupOf(art));
  if (!made.has(art)) keep(art, root?.childNodes ?? []);
  await nextTurn();
}
