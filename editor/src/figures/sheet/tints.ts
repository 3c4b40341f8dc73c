/** Strengths of a route's colour against the paper, and dashes, so that riders of one route can be told apart. */
const STRENGTHS = [62, 40, 52, 32] as const;
const DASHES = [undefined, '7 3', '2 3', '9 3 2 3'] as const;

/** The look of the n-th rider's line on a route of a colour. */
export const tintOf = (color: string, n: number): { readonly stroke: string; readonly dash: string | undefined } => ({
  stroke: `color-mix(in oklab, ${color} ${STRENGTHS[n % STRENGTHS.length] ?? 50}%, var(--muted))`,
  dash: DASHES[Math.floor(n / STRENGTHS.length) % DASHES.length],
});

/** A route's colour as the sheet's styles take it. */
export const inRouteColor = (color: string): string => `--route: ${color}`;
