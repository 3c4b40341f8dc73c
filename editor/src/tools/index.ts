export { addNodeAt, adjustTool } from './adjust.ts';
export { flagsOf, gripOf, hitsAt, showsHandles } from './hit.ts';
export { plotTool } from './plot.ts';
export type { Pointer, Preview, Tool, ToolHost } from './tool.ts';
