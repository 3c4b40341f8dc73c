import { useMemo } from 'react';
import { stillSvg, type Scene } from '@pace-line/core';
import type { Side } from './showing.ts';
import { useUrl } from './use-url.ts';

interface DeskPictureProps {
  readonly scene: Scene;
  readonly time: number;
  readonly side: Exclude<Side, 'output'>;
  readonly background: boolean;
}

/** The scene as the evaluator has it at a time, over the output: instead of it, or so that only what differs is light. */
export function DeskPicture({ scene, time, side, background }: DeskPictureProps) {
  const blob = useMemo(
    () => new Blob([stillSvg(scene, time, { title: '', background })], { type: 'image/svg+xml' }),
    [scene, time, background],
  );
  const url = useUrl(blob);
  return url ? <img className={`desk-picture ${side}`} alt="The scene as the Desk has it" src={url} /> : null;
}
