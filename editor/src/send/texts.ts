import type { WrittenFile } from '../jobs/index.ts';

/** Whether a file is text: it can be copied, and is compressed on its way. */
export const isText = ({ type }: Pick<WrittenFile, 'type'>): boolean => /^text\/|json|svg/.test(type);
