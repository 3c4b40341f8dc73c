import {
  IconPencil,
  IconPointer,
  IconRuler2,
  IconShape,
  IconSpeakerphone,
  IconStepInto,
  IconVectorSpline,
} from '@tabler/icons-react';
import type { ToolName } from '../../../tools/index.ts';
import { ActOutOptions } from './ActOutOptions.tsx';
import type { ToolFace } from './face.ts';
import { SetDownLine } from './SetDownLine.tsx';
import { ShapeOptions } from './ShapeOptions.tsx';
import { SketchOptions } from './SketchOptions.tsx';

/** A face for each tool of the canvas. */
export const TOOL_FACES: Readonly<Record<ToolName, ToolFace>> = {
  adjust: { icon: IconPointer },
  plot: { icon: IconVectorSpline },
  sketch: { icon: IconPencil, Options: SketchOptions },
  'act-out': { icon: IconSpeakerphone, Options: ActOutOptions },
  'set-down': { icon: IconStepInto, Options: SetDownLine },
  shape: { icon: IconShape, Options: ShapeOptions },
  measure: { icon: IconRuler2 },
};
