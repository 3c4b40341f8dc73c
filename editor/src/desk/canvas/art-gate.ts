import DOMPurify from 'dompurify';
import { ALLOWED_ELEMENTS, isAllowedAttribute, LOCAL_REFERENCE, placedArt, type Art } from '@pace-line/core';

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

const made = new WeakMap<Art, DocumentFragment>();
let count = 0;

/** The drawing of an art as nodes, through the browser's last gate; a copy each time. Its ids begin with a number of its own: two arts never colour each other. */
export function artNodes(art: Art): DocumentFragment {
  let fragment = made.get(art);
  if (!fragment) {
    const prefix = `a${++count}-`;
    fragment = document.createDocumentFragment();
    const root = throughGate(`<svg xmlns="http://www.w3.org/2000/svg">${placedArt(art, prefix)}</svg>`);
    if (root) fragment.append(...root.childNodes);
    made.set(art, fragment);
  }
  return fragment.cloneNode(true) as DocumentFragment;
}
