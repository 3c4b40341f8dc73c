import { useEffect, useRef, useState } from 'react';
import { formatById, type Scene } from '@pace-line/core';
import { shown, unseen, writeOutput, type Job, type Output } from '../jobs/index.ts';
import { offer } from '../look/notices.tsx';
import { saveOutput, savedName } from './save.ts';

export type Options = Readonly<Record<string, unknown>>;

export type Writing =
  | { readonly state: 'writing'; readonly share: number }
  | { readonly state: 'done'; readonly output: Output; readonly format: string }
  | { readonly state: 'stopped' }
  | { readonly state: 'failed'; readonly message: string };

/** ms. Changes that follow each other this fast, as of a typed title, are written once. */
const CALM = 150;

/** What takes long goes on when the view is left; its file is offered once it is there. */
const goesOn = (format: string): boolean => formatById(format)?.needs === 'pixels';

/** Writes anew whenever what is sent changes; what was under way is given up then. */
export function useWriting(scene: Scene, format: string, options: Options) {
  const [writing, setWriting] = useState<Writing>({ state: 'writing', share: 0 });
  const [turn, setTurn] = useState(0);
  /** What was written last: another format is begun at once. */
  const written = useRef('');
  const job = useRef<Job<Output> | null>(null);
  const isLeaving = useRef(false);
  // Before the effect that writes: what that cleans up depends on it.
  useEffect(() => {
    isLeaving.current = false;
    return () => {
      isLeaving.current = true;
      unseen();
    };
  }, []);
  useEffect(() => {
    let isCurrent = true;
    let isOffered = false;
    let isEnded = false;
    setWriting({ state: 'writing', share: 0 });
    const wait = written.current === format ? CALM : 0;
    written.current = format;
    const known = formatById(format);
    const timer = setTimeout(() => {
      if (!known) return;
      const begin = (onProgress: (share: number) => void): Job<Output> => {
        const begun = writeOutput(scene, known, options, {
          onProgress: (share) => {
            onProgress(share);
            if (isCurrent) setWriting((now) => (now.state === 'writing' ? { state: 'writing', share } : now));
          },
        });
        job.current = begun;
        return begun;
      };
      const end = shown(`Writing ${scene.name}`, begin, true);
      void end.then((ended) => {
        isEnded = true;
        if (isOffered && ended.state === 'done') {
          const { files } = ended.result;
          offer(`“${scene.name}” was written`, `Save ${savedName(files)}`, () => saveOutput(files), false);
        }
        if (!isCurrent) return;
        if (ended.state === 'done') setWriting({ state: 'done', output: ended.result, format });
        else setWriting(ended.state === 'failed' ? ended : { state: 'stopped' });
      });
    }, wait);
    return () => {
      isCurrent = false;
      clearTimeout(timer);
      if (isLeaving.current && goesOn(format) && !isEnded) isOffered = true;
      else job.current?.cancel();
    };
  }, [scene, format, options, turn]);
  return { writing, cancel: () => job.current?.cancel(), again: () => setTurn((n) => n + 1) };
}
