/** Since when something is not wanted any more, and how often it was looked at since. */
export interface Mark {
  /** ms since 1970. */
  readonly at: number;
  /** Visits of the Shelf that have found it so. */
  readonly visits: number;
}

const DAY = 86_400_000;

/** How old a mark has to be before what it marks may go. */
interface Patience {
  readonly days: number;
  readonly visits: number;
}

/** Of a scene that was deleted, with its versions; and of pixels that nothing shows, which an undo in some open tab may still want. */
export const DELETED: Patience = { days: 30, visits: 5 };
export const UNUSED: Patience = { days: 7, visits: 3 };

export const newMark = (now = Date.now()): Mark => ({ at: now, visits: 0 });

/** A mark after one more visit. One whose time lies in the future was made while the clock was wrong: it begins anew. */
export const visited = ({ at, visits }: Mark, now = Date.now()): Mark =>
  at > now ? newMark(now) : { at, visits: visits + 1 };

/** Whether what is marked may go. A clock that ran ahead once is not believed: it takes several visits, too. */
export const isOver = ({ at, visits }: Mark, { days, visits: most }: Patience, now = Date.now()): boolean =>
  now - at > days * DAY && visits >= most;
