import { BASE } from '../../platform/base.ts';
import { useEffect, useRef, type RefObject } from 'react';
import type { Showing } from './showing.ts';

/** s that a passage through the window takes where nobody scrolls. */
const PASSAGE = 5;

/** Tells a frame how far it has passed: at one place, or there and back for ever until what is given is called. */
function scrolled(frame: RefObject<HTMLIFrameElement | null>, at: number | null): () => void {
  const tell = (share: number): void => frame.current?.contentWindow?.postMessage({ share }, '*');
  if (at !== null) {
    tell(at);
    return () => undefined;
  }
  let next = 0;
  const step = (now: number): void => {
    const round = (now / 1000 / PASSAGE) % 2;
    tell(round < 1 ? round : 2 - round);
    next = requestAnimationFrame(step);
  };
  next = requestAnimationFrame(step);
  return () => cancelAnimationFrame(next);
}

/** A page written into a frame that has no origin: its scripts run, and reach nothing of the application's. What it plays is held and let go from here. */
export function PageFrame({ page, showing }: { page: string; showing: Showing }) {
  const frame = useRef<HTMLIFrameElement>(null);
  const now = useRef(showing);
  const { playing, time, driven, share } = showing;
  useEffect(() => {
    now.current = { playing, time, driven, share };
    if (share !== null) return scrolled(frame, playing ? null : share);
    frame.current?.contentWindow?.postMessage(now.current, '*');
    return undefined;
  }, [playing, time, driven, share]);
  useEffect(() => {
    const onMessage = (event: MessageEvent): void => {
      const target = frame.current?.contentWindow;
      // The frame has no origin that could be named; only this one is spoken to.
      if (!target || event.source !== target) return;
      if (event.data === 'preview') target.postMessage({ page }, '*');
      const { playing: plays, share: passed } = now.current;
      if (event.data === 'written' && passed !== null) target.postMessage({ share: passed }, '*');
      else if (event.data === 'written' && !plays) target.postMessage(now.current, '*');
    };
    addEventListener('message', onMessage);
    return () => removeEventListener('message', onMessage);
  }, [page]);
  return (
    // Each page has a frame of its own: what the last one ran is gone.
    <iframe key={page} ref={frame} title="The page as it will be" src={`${BASE}preview.html`} sandbox="allow-scripts" />
  );
}
