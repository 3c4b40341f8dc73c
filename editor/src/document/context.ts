import { createContext, use } from 'react';
import { useStore } from 'zustand';
import type { DocumentState, SceneDocument } from './store.ts';

export const DocumentContext = createContext<SceneDocument | null>(null);

export function useDocument(): SceneDocument {
  const doc = use(DocumentContext);
  if (!doc) throw new Error('useDocument: no scene is open here');
  return doc;
}

export const useDocumentState = <T>(select: (state: DocumentState) => T): T => useStore(useDocument().store, select);
