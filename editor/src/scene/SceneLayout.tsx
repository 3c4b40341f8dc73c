import { useEffect, useMemo } from 'react';
import { Outlet, useParams } from 'react-router';
import { loopLength } from '@pace-line/core';
import { resetDeskView } from '../desk/view.ts';
import { DocumentContext, type SceneDocument } from '../document/index.ts';
import { OpenSceneContext, SaveStateContext, type OpenScene } from './context.ts';
import { ShowHere } from '../showing/ShowHere.tsx';
import { MissingPictures } from './MissingPictures.tsx';
import type { Playback } from '../frame/playback.ts';
import { Unopened } from './Unopened.tsx';
import { useOpenDocument } from './use-open-document.ts';
import './scene.css';

/** Holds the scene of the address for all of its views: document, undo, selection, time and playing outlive a change between them. */
export function SceneLayout() {
  const { id = '' } = useParams();
  return <OpenedScene key={id} id={id} />;
}

function OpenedScene({ id }: { id: string }) {
  const { opened, open, save, held, takeOver } = useOpenDocument(id);
  useEffect(() => resetDeskView, []);
  const context = useMemo<OpenScene | null>(() => open && { id, playback: open.playback }, [id, open]);
  if (opened.state !== 'ok') return <Unopened id={id} opened={opened} />;
  if (!open || !context) return null;
  return (
    <DocumentContext value={open.doc}>
      <OpenSceneContext value={context}>
        <Clock doc={open.doc} playback={open.playback} />
        <div className="scene-banners">
          {!held && (
            <div className="scene-banner" role="status">
              This scene is open in another tab; here it can only be looked at.
              <button type="button" className="small-button" onClick={takeOver}>
                Take over
              </button>
            </div>
          )}
          <MissingPictures />
        </div>
        <SaveStateContext value={save}>
          <div className="with-show">
            <ShowHere scene={id} />
            <div className="shown-view">
              <Outlet />
            </div>
          </div>
        </SaveStateContext>
      </OpenSceneContext>
    </DocumentContext>
  );
}

/** Whether this page was loaded anew: what stood still before it does so after it. Told once, of what is opened first. */
let isReloaded = performance
  .getEntriesByType('navigation')
  .some((entry) => entry instanceof PerformanceNavigationTiming && entry.type === 'reload');

/** Keeps playback at the scene's own length, and plays at first where motion is welcome; not after a reload. */
function Clock({ doc, playback }: { doc: SceneDocument; playback: Playback }) {
  useEffect(() => {
    const keepLength = (): void => {
      const { clock } = doc.state.shown;
      playback.setLoop(loopLength(clock), clock.repeat === 'once');
    };
    keepLength();
    return doc.store.subscribe(({ shown: { clock } }, before) => {
      if (clock !== before.shown.clock) keepLength();
    });
  }, [doc, playback]);
  useEffect(() => {
    const reduced = window.matchMedia('(prefers-reduced-motion: reduce)').matches;
    if (!reduced && !isReloaded && doc.state.committed.riders.length > 0) playback.play();
    isReloaded = false;
    const stop = doc.store.subscribe(() => playback.invalidate());
    return () => {
      stop();
      playback.pause();
    };
  }, [doc, playback]);
  return null;
}
