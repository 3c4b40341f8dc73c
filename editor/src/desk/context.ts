import { useMemo } from 'react';
import { useDocument } from '../document/index.ts';
import { useOpenScene } from '../scene/context.ts';
import type { Desk } from './desk.ts';

/** The open scene as the Desk's actions take it. */
export function useDesk(): Desk {
  const doc = useDocument();
  const { id, playback } = useOpenScene();
  return useMemo(() => ({ id, doc, playback }), [id, doc, playback]);
}
