import { actingOut } from './act-out.ts';
import { adjusting } from './adjust.ts';
import { measuring } from './measure.ts';
import { plotting } from './plot.ts';
import { settingDown } from './set-down.ts';
import { shaping } from './shape.ts';
import { sketching } from './sketch.ts';

/** The tools of the canvas in their order, each with its number as its key; the first is taken when another is done. */
export const CANVAS_TOOLS = [adjusting, plotting, sketching, actingOut, settingDown, shaping, measuring] as const;

export type ToolName = (typeof CANVAS_TOOLS)[number]['name'];
