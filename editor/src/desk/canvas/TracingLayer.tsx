import { memo, useEffect, useState } from 'react';
import type { Tracing } from '@pace-line/core';
import { useDocumentState } from '../../document/index.ts';
import { useDeskView } from '../view.ts';
import { cssMatrix } from './view-transform.ts';

/** Pictures to draw over: above the scenery, under the guides; never in what is sent. */
export const TracingLayer = memo(function TracingLayer() {
  const view = useDeskView((state) => state.view);
  const tracing = useDocumentState((state) => state.shown.tracing);
  const assets = useDocumentState((state) => state.shown.assets);
  if (tracing.length === 0) return null;
  return (
    <svg className="overlay tracing" aria-hidden>
      <g transform={cssMatrix(view)}>
        {tracing.map((one) =>
          one.visible ? <Picture key={one.id} picture={one} data={assets[one.asset] ?? ''} /> : null,
        )}
      </g>
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

/** The address of a picture's bytes. As an image, an SVG runs no script and loads nothing. */
function useBlob(base64: string, type: string): string | undefined {
  const [url, setUrl] = useState<string>();
  useEffect(() => {
    const bytes = Uint8Array.from(atob(base64), (character) => character.charCodeAt(0));
    const made = URL.createObjectURL(new Blob([bytes], { type }));
    setUrl(made);
    return () => URL.revokeObjectURL(made);
  }, [base64, type]);
  return url;
}
