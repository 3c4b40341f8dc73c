import { useState } from 'react';
import { pickFiles } from '../../platform/files.ts';
import type { Backdrop } from './showing.ts';
import { useUrl } from './use-url.ts';

/** What is behind an output, how large and whether it plays: kept while outputs and formats change. */
export function useStage() {
  const [playing, setPlaying] = useState(true);
  const [actual, setActual] = useState(false);
  const [backdrop, setBackdrop] = useState<Backdrop>('squares');
  const [picture, setPicture] = useState<Blob | null>(null);
  const url = useUrl(picture);
  const choose = (next: Backdrop): void => {
    if (next !== 'picture') return setBackdrop(next);
    void pickFiles('image/*').then(([file]) => {
      if (!file) return;
      setPicture(file);
      setBackdrop('picture');
    });
  };
  return {
    bar: { playing, onPlaying: setPlaying, actual, onActual: setActual, backdrop, onBackdrop: choose },
    picture: backdrop === 'picture' ? url : null,
  };
}

export type StageState = ReturnType<typeof useStage>;
