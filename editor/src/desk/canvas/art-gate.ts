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

const OPTIONS = {
  USE_PROFILES: { svg: true, svgFilters: true },
  ADD_TAGS: [...ALLOWED_ELEMENTS],
  NAMESPACE: 'http://www.w3.org/2000/svg',
  RETURN_DOM_FRAGMENT: true as const,
};

/** Markup as nodes of the page: nothing comes in but by here. */
export const throughGate = (markup: string): Element | null => purify.sanitize(markup, OPTIONS).firstElementChild;

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
  let fragment = made.get(art);
  if (!fragment) {
    const prefix = `a${++count}-`;
    fragment = document.createDocumentFragment();
    made.set(art, fragment);
    if (art.kind === 'image') {
      fragment.append(pictureNode(art, assets));
      return fragment.cloneNode(true) as DocumentFragment;
    }
    const root = throughGate(`<svg xmlns="http://www.w3.org/2000/svg">${placedArt(art, prefix)}</svg>`);
    if (root) fragment.append(...root.childNodes);
  }
  return fragment.cloneNode(true) as DocumentFragment;
}

/** Reads and cleans a drawing before a frame needs it, in turns of its own: what is heavy does not hold the page up. */
export async function readyToDraw(art: SvgArt): Promise<void> {
  await nextTurn();
  paintingOf(art);
  await nextTurn();
  artNodes(art, {});
  await nextTurn();
}
