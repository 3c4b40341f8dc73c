export { collectUnused } from './collecting.ts';
export { hasThumbnail, keepThumbnail, listCards, type SceneCard } from './cards.ts';
export { claim, OvertakenError } from './journal.ts';
export { writeParting } from './parting.ts';
export {
  foldScene,
  holdsScene,
  keepEdit,
  keepNewScene,
  loadStored,
  removeStored,
  storedText,
  type Stored,
  type Writer,
} from './records.ts';
export { onShelfChange } from './stores.ts';
export {
  keepVersionOf,
  listVersions,
  onVersionsChange,
  readVersion,
  removeVersion,
  type VersionCard,
  type VersionReason,
} from './versions.ts';
