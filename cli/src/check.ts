import {
  checkClosing,
  checkJumps,
  checkSeam,
  closingWords,
  jumpWords,
  riderById,
  seamHolds,
  seamWords,
  type Scene,
} from '@pace-line/core';

/** One line of what the checks found: of a rider, or of all together. */
interface Found {
  readonly check: 'closing' | 'jump' | 'seam';
  readonly holds: boolean;
  /** Its id; null where it is said of all. */
  readonly rider: string | null;
  readonly words: string;
  /** What was measured, as the check gives it. */
  readonly figures: object;
}

/** What the Checks card would show, what is wrong first. */
function foundIn(scene: Scene): Found[] {
  const closing = checkClosing(scene);
  const found: Found[] = [
    ...(closing
      ? [
          {
            check: 'closing' as const,
            holds: closing.loops === 1,
            rider: null,
            words: closingWords(closing),
            figures: { loops: closing.loops ?? null, length: closing.length ?? null, open: closing.open },
          },
        ]
      : []),
    ...checkJumps(scene).map(({ rider, ...figures }) => ({
      check: 'jump' as const,
      holds: false,
      rider,
      words: jumpWords({ rider, ...figures }),
      figures,
    })),
    ...checkSeam(scene).map((finding) => {
      const { rider, ...figures } = finding;
      return { check: 'seam' as const, holds: seamHolds(finding), rider, words: seamWords(finding), figures };
    }),
  ];
  return [...found.filter((one) => !one.holds), ...found.filter((one) => one.holds)];
}

/** The checks of a scene, a line each (`ok` or `no`, the check, the rider's name, what was found), or as JSON; and whether all of them hold. */
export function check(scene: Scene, json: boolean): { readonly lines: readonly string[]; readonly holds: boolean } {
  const found = foundIn(scene);
  const holds = found.every((one) => one.holds);
  if (json) {
    const rows = found.map(({ figures, ...one }) => JSON.stringify({ ...one, ...figures }));
    return { lines: ['[', ...rows.map((row, i) => `  ${row}${i < rows.length - 1 ? ',' : ''}`), ']'], holds };
  }
  const named = (id: string | null): string =>
    id === null ? 'everything closes' : `"${riderById(scene, id)?.name ?? id}"`;
  const lines = found.map(
    ({ check: what, holds: well, rider, words }) =>
      `${well ? 'ok' : 'no'}  ${what.padEnd(7)}  ${named(rider)}: ${words}`,
  );
  return { lines: lines.length > 0 ? lines : ['ok  nothing to check: it plays once, or nothing rides'], holds };
}
