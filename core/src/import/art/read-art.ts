/** A drawing read from a file: ready to be art, with what was left out. */
export interface ReadArt {
  readonly markup: string;
  readonly width: number;
  readonly height: number;
  readonly notices: readonly string[];
  /** What makes it slow to draw; none where nothing does. */
  readonly heavy: readonly Heaviness[];
}

/** What a drawing has so much of that it slows down whatever shows it moving. */
export interface Heaviness {
  /** Elements drawn; characters of markup; cost of painting, in plain elements. */
  readonly of: 'elements' | 'characters' | 'painting';
  readonly count: number;
}

/** From how much of each on a drawing is heavy: a page takes about a tenth of a second to take it in. */
const HEAVY: Readonly<Record<Heaviness['of'], number>> = { elements: 2500, characters: 500_000, painting: 12_000 };

export function heavinessOf(counts: Readonly<Record<Heaviness['of'], number>>): readonly Heaviness[] {
  return (Object.keys(HEAVY) as Heaviness['of'][])
    .filter((of) => counts[of] > HEAVY[of])
    .map((of) => ({ of, count: counts[of] }));
}
