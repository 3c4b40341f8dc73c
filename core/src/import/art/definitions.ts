import { urlsIn, type ArtElement } from '../../scene/art/index.ts';
import { DRAWN } from '../../drawing/kinds.ts';

interface Definitions {
  /** The definitions that elements refer to, and those that these refer to, as one <defs>; none where they refer to nothing. */
  neededBy: (elements: readonly ArtElement[]) => ArtElement[];
}

/** The definitions of a drawing, by the ids that are in them. */
export function definitionsOf(root: ArtElement): Definitions {
  const byId = new Map<string, ArtElement>();
  const inside = (element: ArtElement, entry: ArtElement): void => {
    const id = element.attributes['id'];
    if (id !== undefined) byId.set(id, entry);
    for (const child of element.children) if (typeof child !== 'string') inside(child, entry);
  };
  const search = (element: ArtElement): void => {
    for (const child of element.children) {
      if (typeof child === 'string') continue;
      if (child.name === 'defs') {
        for (const entry of child.children) if (typeof entry !== 'string') inside(entry, entry);
      } else if (DRAWN.has(child.name)) search(child);
      else inside(child, child);
    }
  };
  search(root);
  const references = new Map<ArtElement, readonly string[]>();
  const referencesOf = (entry: ArtElement): readonly string[] => {
    let found = references.get(entry);
    if (!found) references.set(entry, (found = [...referencesIn(entry)]));
    return found;
  };
  return {
    neededBy(elements) {
      const needed = new Set<ArtElement>();
      const follow = (ids: Iterable<string>): void => {
        for (const id of ids) {
          const entry = byId.get(id);
          if (!entry || needed.has(entry)) continue;
          needed.add(entry);
          follow(referencesOf(entry));
        }
      };
      for (const element of elements) follow(referencesIn(element));
      return needed.size === 0 ? [] : [{ name: 'defs', attributes: {}, children: [...needed] }];
    },
  };
}

/** The ids that an element and all that is in it refer to. */
function* referencesIn(element: ArtElement): Generator<string> {
  for (const [name, value] of Object.entries(element.attributes)) {
    if (name === 'href') yield value.slice(1);
    else if (value.includes('(')) for (const { target } of urlsIn(value) ?? []) yield target.slice(1);
  }
  for (const child of element.children) if (typeof child !== 'string') yield* referencesIn(child);
}
