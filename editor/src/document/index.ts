export {
  keepEase,
  keepGuide,
  keepGuides,
  listEases,
  listKept,
  looksLikeCollection,
  onCollectionChange,
  readCollection,
  removeEase,
  removeKept,
  renameEase,
  renameKept,
  writeCollection,
  type KeptEase,
  type KeptGuide,
} from './collection/index.ts';
export { STARTERS } from './starters.ts';
export { startAutosave, type SaveState } from './autosave.ts';
export { DocumentContext, useDocument, useDocumentState } from './context.ts';
export { answerHandover, askHandover } from './handover.ts';
export { lockScene, type SceneLock } from './lock.ts';
export { keyIdsOf, PART_KINDS, selectedParts } from './parts.ts';
export { NOTHING, selectGuide, selectRider, toggled, type Selection } from './selection.ts';
export {
  claim,
  collectUnused,
  foldScene,
  forgetDeleted,
  hasThumbnail,
  holdsScene,
  keepEdit,
  keepNewScene,
  keepThumbnail,
  keepVersionOf,
  listCards,
  listDeleted,
  listVersions,
  loadStored,
  loadUndo,
  onShelfChange,
  onVersionsChange,
  pastTime,
  readVersion,
  removeStored,
  removeVersion,
  restoreStored,
  storedText,
  thumbnailOf,
  whyNotKept,
  writeParting,
  type SceneCard,
  type Stored,
  type UndoRows,
  type VersionCard,
  type VersionReason,
  type Writer,
} from './storage/index.ts';
export { SceneDocument, type Gesture } from './store.ts';
