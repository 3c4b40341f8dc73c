/** Why an earlier state was kept: an hour had gone, something was brought in, the file's version was older, or someone asked for it. */
export type VersionReason = 'time' | 'import' | 'migration' | 'hand';

/** What is told of a version without reading it. */
export interface VersionCard {
  readonly key: string;
  /** Its scene. */
  readonly scene: string;
  /** Milliseconds since 1970, by the clock of that moment. */
  readonly at: number;
  /** Grows with each that is kept: the order, whatever the clock said. */
  readonly order: number;
  readonly why: VersionReason;
  /** Given by hand. */
  readonly name: string | null;
  /** Characters of its body. */
  readonly size: number;
  /** The pixels that it shows. */
  readonly assets: readonly string[];
}

export const HOUR = 3_600_000;
const DAY = 24 * HOUR;

/** Days for which one state of each day is kept. */
const DAYS = 30;

/** Characters that the versions of one scene may have in all, those kept by hand not counted. */
export const MOST_KEPT = 16_000_000;

/** Those that may go: of the hours all but one a day, after a month that too, and the oldest above the size. What was kept by hand stays. */
export function thinned(cards: readonly VersionCard[], now: number, most = MOST_KEPT): VersionCard[] {
  const latestFirst = cards.filter(({ why }) => why !== 'hand').sort((a, b) => b.order - a.order);
  const days = new Set<number>();
  const gone: VersionCard[] = [];
  let size = 0;
  for (const card of latestFirst) {
    const age = now - card.at;
    const day = Math.floor(card.at / DAY);
    const isExtra = card.why === 'time' && age > DAY && (days.has(day) || age > DAYS * DAY);
    if (card.why === 'time') days.add(day);
    if (isExtra || size + card.size > most) gone.push(card);
    else size += card.size;
  }
  return gone;
}
