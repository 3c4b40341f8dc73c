import { isSvgFile } from '../../../platform/files.ts';
import { useDeskView } from '../../view.ts';
import { isPictureFile, isRasterFile } from '../picture-files.ts';
import type { FileKind } from './kind.ts';

/** A picture becomes art while art is looked at. */
export const rasterArt: FileKind = {
  name: 'pictures',
  accepts: (file, { isArtOpen }) => isArtOpen && isRasterFile(file),
  take: async (file, desk) => void (await (await import('../raster.tsx')).importRaster(file, desk)),
};

/** Else it is one to draw over. */
export const tracing: FileKind = {
  name: 'pictures',
  accepts: isPictureFile,
  take: async (file, desk) => (await import('../tracing.ts')).addTracingFile(file, desk),
};

export const drawing: FileKind = {
  name: 'SVG drawings',
  accepts: isSvgFile,
  take: async (file, desk) => {
    const { importArt } = await import('../art.ts');
    if (await importArt(file, desk)) useDeskView.getState().set({ drawer: 'art' });
  },
};
