export { footOfMark, restHandleX } from './hits.ts';
export { STRIP_HEIGHT, type SheetHost, type SheetPointer, type SheetPreview } from './host.ts';
export { sheetTool } from './sheet-tool.ts';
