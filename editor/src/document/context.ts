import { createContext, use } from 'react';
import { useStore } from 'zustand';
import type { DocumentState, SceneDocument } from './store.ts';

export const DocumentContext = createContext<SceneDocument | null>(null);

export function useDocument(): SceneDocument {
  const doc = use(DocumentContext);
  if (!doc) throw new Error('useDocument: no scene is open here');
  return doc;
}

/** Of the open scene as it was last let go: while a hand makes something, nothing is rendered; what follows the hand is painted (figures/). */
export const useDocumentState = <T>(select: (state: DocumentState) => T): T => useStore(useDocument().settled, select);
