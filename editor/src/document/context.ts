import { createContext, use } from 'react';
import { useStore } from 'zustand';
import type { Scene } from '@pace-line/core';
import type { DocumentState, SceneDocument } from './store.ts';

export const DocumentContext = createContext<SceneDocument | null>(null);

export function useDocument(): SceneDocument {
  const doc = use(DocumentContext);
  if (!doc) throw new Error('useDocument: no scene is open here');
  return doc;
}

export const useDocumentState = <T>(select: (state: DocumentState) => T): T => useStore(useDocument().store, select);

/** The same at a calmer pace while a hand moves anything: for the cards and other figures. */
export const useCalmState = <T>(select: (state: DocumentState) => T): T => useStore(useDocument().calm, select);

/** The same at a calmer pace while a guide is bent; riders and marks are shown at once: for the sheet. */
export const useSheetState = <T>(select: (state: DocumentState) => T): T => useStore(useDocument().sheet, select);

/** The same at half of the frames or less while only times change: for what is drawn on the canvas beside what the hand moves. */
export const useSpacingState = <T>(select: (state: DocumentState) => T): T => useStore(useDocument().spacing, select);

/** The scene without what a gesture bends: guides as they were at its start, until it ends. What it does to riders and marks is in it. */
export const useSteadyScene = (): Scene =>
  useSheetState((state) => (state.shown.riders === state.committed.riders ? state.committed : state.shown));
