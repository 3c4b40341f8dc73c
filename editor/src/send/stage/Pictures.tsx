import { useEffect, useRef } from 'react';
import { useUrl } from './use-url.ts';

/** A picture that plays by itself; held, its present frame stands over it. */
export function ImageOutput({ blob, playing }: { blob: Blob; playing: boolean }) {
  const url = useUrl(blob);
  const image = useRef<HTMLImageElement>(null);
  const held = useRef<HTMLCanvasElement>(null);
  useEffect(() => {
    const [from, to] = [image.current, held.current];
    if (playing || !from || !to) return;
    to.width = from.naturalWidth;
    to.height = from.naturalHeight;
    to.getContext('2d')?.drawImage(from, 0, 0);
  }, [playing, url]);
  if (!url) return null;
  return (
    <>
      <img ref={image} alt="The loop as it will be" src={url} hidden={!playing} />
      <canvas ref={held} role="img" aria-label="The loop, held" hidden={playing} />
    </>
  );
}

export function FilmOutput({ blob, playing }: { blob: Blob; playing: boolean }) {
  const url = useUrl(blob);
  const film = useRef<HTMLVideoElement>(null);
  useEffect(() => {
    if (playing) void film.current?.play().catch(() => undefined);
    else film.current?.pause();
  }, [playing, url]);
  if (!url) return null;
  return <video ref={film} aria-label="The film as it will be" src={url} autoPlay loop muted playsInline />;
}
