export { beatsOf } from './snap-time.ts';
export type { SheetDrag } from './grabs/grab.ts';
export { grabKey, type KeyHit } from './grabs/key.ts';
export { restHandleX } from './hits.ts';
export { ribbonBox, ribbonScale } from './ribbon.ts';
export { STRIP_HEIGHT, type SheetHost, type SheetPointer, type SheetPreview } from './host.ts';
export { sheetTool, type SheetTool } from './sheet-tool.ts';
export { footOfMark } from '../legs.ts';
export { beadsOf } from './shaping.ts';
