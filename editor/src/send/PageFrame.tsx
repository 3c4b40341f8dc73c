import { useEffect, useRef } from 'react';

/** A page written into a frame that has no origin: its scripts run, and reach nothing of the application's. */
export function PageFrame({ page, ratio }: { page: string; ratio: number }) {
  const frame = useRef<HTMLIFrameElement>(null);
  useEffect(() => {
    const onMessage = (event: MessageEvent): void => {
      const target = frame.current?.contentWindow;
      // The frame has no origin that could be named; only this one is spoken to.
      if (target && event.source === target && event.data === 'preview') target.postMessage({ page }, '*');
    };
    addEventListener('message', onMessage);
    return () => removeEventListener('message', onMessage);
  }, [page]);
  return (
    <div className="output-view" style={{ aspectRatio: String(ratio) }}>
      {/* Each page has a frame of its own: what the last one ran is gone. */}
      <iframe key={page} ref={frame} title="The page as it will be" src="/preview.html" sandbox="allow-scripts" />
    </div>
  );
}
