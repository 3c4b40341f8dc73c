/** ms after which something is done though the page is never idle. */
const LATEST = 3000;

/** Does something as soon as the page has nothing else to do; where the browser cannot tell, a while later. */
export function whenIdle(act: () => void): void {
  if ('requestIdleCallback' in window) requestIdleCallback(act, { timeout: LATEST });
  else setTimeout(act, LATEST / 3);
}
