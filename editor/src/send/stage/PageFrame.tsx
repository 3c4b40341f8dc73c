import { BASE } from '../../platform/base.ts';
import { useEffect, useRef } from 'react';
import type { Showing } from './showing.ts';

/** A page written into a frame that has no origin: its scripts run, and reach nothing of the application's. What it plays is held and let go from here. */
export function PageFrame({ page, showing }: { page: string; showing: Showing }) {
  const frame = useRef<HTMLIFrameElement>(null);
  const now = useRef(showing);
  const { playing, time } = showing;
  useEffect(() => {
    now.current = { playing, time };
    frame.current?.contentWindow?.postMessage(now.current, '*');
  }, [playing, time]);
  useEffect(() => {
    const onMessage = (event: MessageEvent): void => {
      const target = frame.current?.contentWindow;
      // The frame has no origin that could be named; only this one is spoken to.
      if (!target || event.source !== target) return;
      if (event.data === 'preview') target.postMessage({ page }, '*');
      if (event.data === 'written' && !now.current.playing) target.postMessage(now.current, '*');
    };
    addEventListener('message', onMessage);
    return () => removeEventListener('message', onMessage);
  }, [page]);
  return (
    // Each page has a frame of its own: what the last one ran is gone.
    <iframe key={page} ref={frame} title="The page as it will be" src={`${BASE}preview.html`} sandbox="allow-scripts" />
  );
}
