import { emptyScene, problemsOf, readScene, writeScene, type Art } from '@pace-line/core';
import { readSvgArt, readSvgParts, type ReadArt } from '@pace-line/core/art-import';

/** How a drawing fared. Faults are what must never be. */
export interface DrawingFate {
  /** Why it was refused; undefined where it was taken. */
  readonly refused: string | undefined;
  readonly faults: readonly string[];
  /** ms that reading took. */
  readonly ms: number;
}

const artOf = ({ markup, width, height }: ReadArt, i: number): Art => ({
  id: `art-${i}`,
  name: 'Art',
  kind: 'svg',
  markup,
  width,
  height,
  pivot: [width / 2, height / 2],
  facing: 0,
});

/** What of art that was taken would be lost when a scene with it is opened again. */
function faultsOfKept(arts: readonly ReadArt[]): string[] {
  const scene = { ...emptyScene('Kept'), art: arts.map(artOf) };
  const [problem] = problemsOf(scene);
  if (problem) return [`kept, but unsound: ${problem.path}: ${problem.message}`];
  const again = readScene(writeScene(scene));
  if (!again.ok) return ['kept, and not opened again'];
  return again.scene.art.every((one, i) => one.kind === 'svg' && one.markup === arts[i]?.markup)
    ? []
    : ['not the same when opened again'];
}

/** Characters that no well-formed XML has (XML 1.0, 2.2). */
const NO_XML = /[^\t\n\r\u0020-\uD7FF\uE000-\uFFFD\u{10000}-\u{10FFFF}]/u;

/** What nothing that is taken may hold, whatever it came with. */
const HARM =
  /<script|<foreignObject|<image|<a[\s>]|javascript:|\son\w+=|elsewhere\.example|@import|<!|function |native code/i;

function faultsOfArt(art: ReadArt): string[] {
  const faults: string[] = [];
  const text = art.markup + art.notices.join(' ');
  if (HARM.test(text)) faults.push(`holds ${HARM.exec(text)?.[0]}`);
  if (NO_XML.test(art.markup)) faults.push('is no well-formed XML');
  if (![art.width, art.height].every((one) => Number.isFinite(one) && one > 0)) faults.push('has no size');
  return faults;
}

/** Reads a drawing as art and in parts, and keeps what is taken. Nothing may throw. */
export function fateOfDrawing(text: string): DrawingFate {
  const begun = performance.now();
  const read = readSvgArt(text);
  const ms = performance.now() - begun;
  if (!read.ok) return { refused: read.message, faults: read.message ? [] : ['refused without a reason'], ms };
  const faults = [...faultsOfArt(read.art), ...faultsOfKept([read.art])];
  const apart = readSvgParts(text);
  if (!apart.ok) return { refused: undefined, faults: [...faults, 'taken whole, but not in parts'], ms };
  const { parts } = apart.parts;
  faults.push(...parts.flatMap(({ art }) => faultsOfArt(art)));
  for (const { x, y, outlines } of parts)
    if (
      ![x, y].every(Number.isFinite) ||
      outlines.some(({ nodes }) => nodes.some((one) => !Number.isFinite(one.x + one.y)))
    )
      faults.push('a part is nowhere');
  if (parts.length <= 200) faults.push(...faultsOfKept(parts.map(({ art }) => art)));
  return { refused: undefined, faults: [...new Set(faults)], ms };
}
