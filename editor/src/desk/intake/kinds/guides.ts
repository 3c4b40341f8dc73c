import { isSceneFile } from '../../../platform/files.ts';
import type { FileKind } from './kind.ts';

const take: FileKind['take'] = async (file, desk) => (await import('../guides.ts')).importGuideFiles([file], desk);

export const points: FileKind = {
  name: 'lists of points (CSV), GPX tracks',
  accepts: (file) => /\.(?:csv|tsv|txt|gpx)$/i.test(file.name),
  take,
};

/** A file of collected guides and easings: what is no scene and looks like one. */
export const collection: FileKind = { name: 'Pace Line files', accepts: isSceneFile, take };
