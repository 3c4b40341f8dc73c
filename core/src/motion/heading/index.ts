import type { Heading } from '../../scene/index.ts';
import { along, level } from './along.ts';
import { contacts } from './contacts.ts';
import type { HeadingMode } from './mode.ts';
import { toward } from './toward.ts';

export { RADIANS } from './mode.ts';

const MODES: Readonly<Record<Heading['mode'], HeadingMode>> = { level, along, contacts, toward };

/** The mode by which a rider faces: level where it has no guide to face along, and where it rolls. */
export function headingMode(mode: Heading['mode'], rides: boolean, rolls: boolean): HeadingMode {
  const asked = MODES[mode];
  return rolls || (!rides && !asked.parked) ? level : asked;
}
