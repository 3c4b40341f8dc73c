/** Holds a scene for this tab. `lost` is called when another tab takes it over. */
export interface SceneLock {
  readonly held: boolean;
  release: () => void;
}

const nameOf = (id: string): string => `pace-line-scene-${id}`;

/** Asks for a scene: held at once, or not while another tab has it. With `steal`, that tab loses it. */
export function lockScene(id: string, steal: boolean, lost: () => void): Promise<SceneLock> {
  if (!('locks' in navigator)) return Promise.resolve({ held: true, release: () => undefined });
  return new Promise((resolve) => {
    let release = (): void => undefined;
    let released = false;
    const until = new Promise<void>((done) => {
      release = () => {
        released = true;
        done();
      };
    });
    navigator.locks
      .request(nameOf(id), steal ? { steal: true } : { ifAvailable: true }, (lock) => {
        resolve({ held: lock !== null, release: () => release() });
        return lock === null ? undefined : until;
      })
      .catch(() => {
        if (!released) lost();
      });
  });
}
