import { memo, useEffect, useState } from 'react';
import type { Tracing } from '@pace-line/core';
import { useDocumentState } from '../../document/index.ts';
import { readArtFile } from '../../jobs/index.ts';
import { fromBase64 } from '../../platform/pixels.ts';
import { ViewGroup } from './ViewGroup.tsx';

/** Pictures to draw over: above the scenery, under the guides; never in what is sent. */
export const TracingLayer = memo(function TracingLayer() {
  const tracing = useDocumentState((state) => state.shown.tracing);
  const assets = useDocumentState((state) => state.shown.assets);
  if (tracing.length === 0) return null;
  return (
    <svg className="overlay tracing" aria-hidden>
      <ViewGroup>
        {tracing.map((one) =>
          one.visible ? <Picture key={one.id} picture={one} data={assets[one.asset] ?? ''} /> : null,
        )}
      </ViewGroup>
    </svg>
  );
});

function Picture({ picture, data }: { picture: Tracing; data: string }) {
  const url = useBlob(data, picture.type);
  const { x, y, width, height, scale, turn, opacity } = picture;
  return (
    <image
      href={url}
      x={-width / 2}
      y={-height / 2}
      width={width}
      height={height}
      opacity={opacity}
      preserveAspectRatio="none"
      transform={`translate(${x} ${y}) rotate(${turn}) scale(${scale})`}
    />
  );
}

/**
 * The address of a picture's bytes. As an image, an SVG runs no script and loads nothing; what it may cost to paint is asked at the same door as art's, since
 * a scene file can bring any.
 */
function useBlob(base64: string, type: string): string | undefined {
  const [url, setUrl] = useState<string>();
  useEffect(() => {
    let made: string | undefined;
    let isGone = false;
    void bytesToShow(base64, type).then((bytes) => {
      if (isGone || !bytes) return;
      made = URL.createObjectURL(new Blob([bytes], { type }));
      setUrl(made);
    });
    return () => {
      isGone = true;
      if (made !== undefined) URL.revokeObjectURL(made);
    };
  }, [base64, type]);
  return url;
}

async function bytesToShow(base64: string, type: string): Promise<Uint8Array<ArrayBuffer> | undefined> {
  const bytes = fromBase64(base64);
  if (type !== 'image/svg+xml') return bytes;
  const read = await readArtFile('the picture to trace over', new TextDecoder().decode(bytes));
  return read.ok ? new TextEncoder().encode(read.art.markup) : undefined;
}
