import type { DrawingPart } from '@pace-line/core/art-import';
import { roleAtFirst, type Role } from '../actions/parts.ts';

/** A part as it is listed: where it stands among the parts, such as "2.0", and how deep. */
export interface ListedPart {
  readonly path: string;
  readonly depth: number;
  readonly part: DrawingPart;
  /** Its own parts are listed after it instead of it. */
  readonly isOpen: boolean;
}

/** All parts that are listed: groups that are opened before their own parts. */
export function listedParts(parts: readonly DrawingPart[], opened: ReadonlySet<string>): readonly ListedPart[] {
  const level = (ones: readonly DrawingPart[], above: string, depth: number): readonly ListedPart[] =>
    ones.flatMap((part, i) => {
      const path = `${above}${i}`;
      const isOpen = opened.has(path) && part.inside.length > 0;
      return [{ path, depth, part, isOpen }, ...(isOpen ? level(part.inside, `${path}.`, depth + 1) : [])];
    });
  return level(parts, '', 0);
}

/** What a part becomes: what was said of it, or of the nearest group around it, else what it looks like. */
export function roleOf({ path, part }: ListedPart, said: ReadonlyMap<string, Role>): Role {
  const steps = path.split('.');
  for (let n = steps.length; n > 0; n--) {
    const role = said.get(steps.slice(0, n).join('.'));
    if (role !== undefined) return role === 'guide' && part.outlines.length === 0 ? 'none' : role;
  }
  return roleAtFirst(part);
}
