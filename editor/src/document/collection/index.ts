export { keepEase, listEases, removeEase, renameEase, type KeptEase } from './eases.ts';
export { looksLikeCollection, readCollection, writeCollection } from './file.ts';
export { keepGuide, keepGuides, listKept, removeKept, renameKept, type KeptGuide } from './guides.ts';
export { onCollectionChange } from './kept.ts';
