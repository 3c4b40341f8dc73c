import { TURNS_AT_REST, type MendKind, type SeamFinding, type Told } from '@pace-line/core';

/** What a mend does, on its button and in undo. */
export const MENDS: Readonly<Record<MendKind, readonly [button: string, undo: string]>> = {
  'whole-laps': ['end on a whole lap', 'Close the lap'],
  'keys-meet': ['match end keyframes', 'Match end keyframes'],
  'whole-strides': ['whole strides', 'Close the strides'],
  'fit-cycle': ['fit its cycle to the loop', 'Fit the cycle'],
  'there-and-back': ['go there and back', 'Go there and back'],
  'match-speeds': ['match its speeds', 'Match the speeds at the seam'],
  'rest-at-seam': ['ease to rest', 'Rest at the seam'],
};

/** Whether something goes there and back, and turns without coming to rest: nothing is wrong with that, and it can be softened. */
export const turns = ({ check, figures }: Told): boolean =>
  check === 'seam' && (figures as SeamFinding).turnSpeed > TURNS_AT_REST;
