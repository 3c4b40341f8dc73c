export { addNodeAt, adjustTool } from './adjust.ts';
export { flagsOf, gripOf, hitsAt, showsHandles, type Flag, type Hit } from './hit.ts';
export { guideFrom, plotTool } from './plot.ts';
export { DRAG_FROM, hitRadius, type DraftNode, type Pointer, type Preview, type Tool, type ToolHost } from './tool.ts';
