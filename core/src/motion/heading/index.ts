import type { Heading } from '../../scene/index.ts';
import { along } from './along.ts';
import { level } from './level.ts';
import type { HeadingMode } from './mode.ts';

export { RADIANS } from './mode.ts';

const MODES: Readonly<Record<Heading['mode'], HeadingMode>> = { level, along };

export const headingMode = (mode: Heading['mode']): HeadingMode => MODES[mode];
