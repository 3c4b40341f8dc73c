import { riderById, type Scene } from '@pace-line/core';
import { CHECKS, findingRow, findingsOf, type Told } from '@pace-line/core/findings';

/** The names of checks as one asks for them. */
export const CHECK_IDS: readonly string[] = CHECKS.map(({ id }) => id);

/** The checks, for `--help`. */
export const checksHelp = (): string => CHECKS.map(({ id, about }) => `  ${id.padEnd(14)} ${about}`).join('\n');

/** Of whom something was found, as its line says it. */
function subjectOf(scene: Scene, { riders }: Told): string {
  if (riders.length === 0) return 'everything closes';
  return riders.map((id) => `"${riderById(scene, id)?.name ?? id}"`).join(', ');
}

/**
 * The checks of a scene, a line each (`ok` or `no`, the check, the riders' names, what was found), or as JSON; and whether all of them hold. The same findings, in the
 * same words, as on the Checks card.
 */
export function check(
  scene: Scene,
  json: boolean,
  only?: readonly string[],
): { readonly lines: readonly string[]; readonly holds: boolean } {
  const found = findingsOf(scene, only);
  const holds = found.every((one) => one.holds);
  if (json) {
    const rows = found.map((one) => JSON.stringify(findingRow(one)));
    return { lines: ['[', ...rows.map((row, i) => `  ${row}${i < rows.length - 1 ? ',' : ''}`), ']'], holds };
  }
  const lines = found.map((one) => {
    const meant = one.meant ? `, meant so${one.meant.why ? `: ${one.meant.why}` : ''}` : '';
    return `${one.holds ? 'ok' : 'no'}  ${one.check.padEnd(7)}  ${subjectOf(scene, one)}: ${one.words}${meant}`;
  });
  return { lines: lines.length > 0 ? lines : [nothing(only)], holds };
}

const nothing = (only: readonly string[] | undefined): string =>
  only ? `ok  nothing found by ${only.join(', ')}` : 'ok  nothing to check: it plays once, or nothing rides';
