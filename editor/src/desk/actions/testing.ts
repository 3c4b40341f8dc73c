import { SceneDocument } from '../../document/index.ts';
import { FrameLoop } from '../../frame/frame-loop.ts';
import { Playback } from '../../frame/playback.ts';
import type { Scene } from '@pace-line/core';
import type { Desk } from '../desk.ts';
import { resetDeskView } from '../view.ts';

/** A Desk without a browser: a document that shows at once, and a playback whose frames never come. */
export function deskBench(scene: Scene): Desk {
  resetDeskView();
  const doc = new SceneDocument(scene, (callback) => callback());
  return { id: 'test', doc, playback: new Playback(new FrameLoop({ next: () => undefined }), () => doc.state.shown) };
}
