export { checkClosing, type Closing } from './closing.ts';
export { checkJumps, type JumpFinding } from './jumps.ts';
export { mendsOfSeam, TURNS_AT_REST, type MendKind } from './mends.ts';
export { stridesOf } from './strides.ts';
export { checkSeam, SEAM, type SeamFinding } from './seam.ts';
export { meetingsOn, type Meetings } from './meetings.ts';
export { closingWords, jumpWords, seamHolds, seamWords } from './words.ts';
