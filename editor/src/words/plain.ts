/** Characters that change the direction of what follows them. */
const DIRECTIONS = /[\u061C\u200E\u200F\u202A-\u202E\u2066-\u2069]/g;

/** A sentence that holds names, without what a name could do to the direction of the rest of it. */
export const plainDirection = (text: string): string => text.replace(DIRECTIONS, '');
