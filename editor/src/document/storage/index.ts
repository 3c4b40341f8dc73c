export { onShelfChange } from './announcing.ts';
export { hasThumbnail, keepThumbnail, listCards, listDeleted, pastTime, thumbnailOf, type SceneCard } from './cards.ts';
export { collectUnused, forgetDeleted } from './collecting.ts';
export { whyNotKept } from './database.ts';
export { claim, OvertakenError } from './journal.ts';
export { writeParting } from './parting.ts';
export {
  foldScene,
  holdsScene,
  keepEdit,
  keepNewScene,
  loadStored,
  removeStored,
  restoreStored,
  storedText,
  type Stored,
  type Writer,
} from './records.ts';
export { loadUndo, type UndoChange, type UndoRows } from './undo.ts';
export {
  keepVersionOf,
  listVersions,
  onVersionsChange,
  readVersion,
  removeVersion,
  type VersionCard,
  type VersionReason,
} from './versions.ts';
