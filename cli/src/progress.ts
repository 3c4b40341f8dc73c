/** What is told of painting: each tenth of it on a line of its own, where that is asked for; else on one line that is rewritten, where somebody looks. */
export function toldProgress(
  err: (text: string) => void,
  isAsked: boolean,
  isWatched: boolean,
): { readonly onProgress: (share: number) => void; readonly end: () => void } {
  let last = 0;
  const onProgress = (share: number): void => {
    const tenths = Math.floor(share * 10);
    if (isAsked && tenths > last) err(`pace-line: ${tenths * 10} %\n`);
    else if (!isAsked && isWatched) err(`\rpace-line: ${Math.round(share * 100)} % `);
    last = isAsked ? tenths : 1;
  };
  // The line is wiped out before anything else is said.
  const end = (): void => {
    if (!isAsked && isWatched && last > 0) err('\r\u001b[K');
    last = isAsked ? last : 0;
  };
  return { onProgress, end };
}
