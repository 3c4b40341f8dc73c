import type { Scene } from '@pace-line/core';
import { hasThumbnail, keepThumbnail, type SceneDocument } from '../document/index.ts';
import { movingPicture } from '../jobs/index.ts';

/** ms without a change: the picture costs seconds of a core, which are not taken from a hand at work. */
const THUMBNAIL_DELAY = 4000;

/** Draws the Shelf's picture of the scene when hands have been still for a while, off the main thread; a hand that begins meanwhile ends that. Gives what ends it, with a last picture. */
export function keepThumbnails(id: string, doc: SceneDocument): () => void {
  let timer: ReturnType<typeof setTimeout> | undefined;
  let drawn: Scene | undefined = doc.state.committed;
  let drawing: AbortController | undefined;
  const draw = async (): Promise<void> => {
    const scene = doc.state.committed;
    if (doc.state.readOnly || scene === drawn) return;
    const before = drawn;
    drawn = scene;
    const under = (drawing = new AbortController());
    const picture = await movingPicture(scene, under.signal);
    if (drawing === under) drawing = undefined;
    if (under.signal.aborted && drawn === scene) drawn = before;
    else if (picture !== undefined) await keepThumbnail(id, picture);
  };
  const schedule = (): void => {
    clearTimeout(timer);
    timer = setTimeout(() => {
      // Something is held: the picture waits until it is let go and hands are still again.
      if (doc.state.shown === doc.state.committed) void draw();
      else schedule();
    }, THUMBNAIL_DELAY);
  };
  void hasThumbnail(id).then((has) => {
    if (has) return;
    drawn = undefined;
    schedule();
  });
  const stop = doc.store.subscribe((state, before) => {
    const isHeld = state.shown !== state.committed;
    if (isHeld) drawing?.abort();
    if (isHeld || state.committed !== before.committed) schedule();
  });
  return () => {
    stop();
    clearTimeout(timer);
    void draw();
  };
}
