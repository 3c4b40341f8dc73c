import { useEffect } from 'react';
import { isPointList } from '@pace-line/core';
import { useNavigate } from 'react-router';
import { looksLikeCollection } from '../document/index.ts';
import { tell, warn } from '../look/notices.tsx';
import { isSceneFile, isSvgFile } from '../platform/files.ts';
import { isCarrier, openSceneFile } from '../shelf/open-scene.ts';
import { useDesk } from './context.ts';
import { importArt, importArtText } from './import-art.ts';
import { importGuideFiles, importPoints, isGuideFile } from './import-guides.ts';
import { importRaster, isRasterFile } from './raster-art.tsx';
import { setInFile } from './scene-art.tsx';
import { addTracingFile, isPictureFile } from './tracing.ts';
import { useDeskView } from './view.ts';
import { copiedText, copySelected, pasteHeld } from './actions/clipboard.ts';
import { pastePathData } from './actions/outlines.ts';

/** Characters of pasted text that are looked at: more comes as a file. */
const MOST_PASTED = 5_000_000;

/** Says that what was pasted is nothing that a scene takes. */
const tellUnknown = (text: string): void =>
  tell(
    text.trim() === ''
      ? 'There is nothing to paste: nothing was copied on the Desk, and the clipboard holds no text or picture.'
      : `“${text.trim().slice(0, 40)}${text.trim().length > 40 ? '…' : ''}” is no drawing, path, or list of points.`,
    'Nothing was pasted',
  );

const inField = (target: EventTarget | null): boolean =>
  target instanceof HTMLElement && target.closest('input, textarea, [role="dialog"]') !== null;

/** Files dropped or pasted anywhere on the Desk: SVG becomes art, a scene file or a sent file that carries one is opened; copy and paste of things in the scene. */
export function useFileDrops(): void {
  const desk = useDesk();
  const navigate = useNavigate();
  useEffect(() => {
    const take = async (files: readonly File[]): Promise<void> => {
      for (const file of files) {
        const isArtOpen = useDeskView.getState().drawer === 'art';
        const isScene = isSceneFile(file) && !looksLikeCollection(await file.slice(0, 400).text());
        if (isScene && isArtOpen) await setInFile(desk, file);
        else if (isScene || (await isCarrier(file))) {
          const id = await openSceneFile(file);
          if (id !== undefined) return void navigate(`/scene/${id}`);
        } else if (isGuideFile(file)) await importGuideFiles([file], desk);
        else if (isRasterFile(file) && isArtOpen) await importRaster(file, desk);
        else if (isPictureFile(file)) await addTracingFile(file, desk);
        else if (isSvgFile(file)) {
          if (await importArt(file, desk)) useDeskView.getState().set({ drawer: 'art' });
        } else if (isSceneFile(file)) await importGuideFiles([file], desk);
        else
          warn(
            `${file.name} was not taken in`,
            'The Desk takes SVG drawings, pictures to draw over, lists of points (CSV), GPX tracks and Pace Line files. Nothing was changed.',
          );
      }
    };
    const pastedPoints = (text: string): boolean => {
      if (text.length > MOST_PASTED) return false;
      const isList = isPointList(text);
      if (isList) void importPoints('Pasted points', text, desk);
      return isList;
    };
    const onDragOver = (event: DragEvent): void => {
      if (event.dataTransfer?.types.includes('Files')) event.preventDefault();
    };
    const onDrop = (event: DragEvent): void => {
      const files = [...(event.dataTransfer?.files ?? [])];
      if (files.length === 0) return;
      event.preventDefault();
      void take(files);
    };
    const onCopy = (event: ClipboardEvent): void => {
      if (inField(event.target) || !copySelected(desk)) return;
      event.preventDefault();
      event.clipboardData?.setData('text/plain', copiedText());
    };
    const onPaste = (event: ClipboardEvent): void => {
      if (inField(event.target)) return;
      event.preventDefault();
      const files = [...(event.clipboardData?.files ?? [])];
      const text = event.clipboardData?.getData('text/plain') ?? '';
      if (files.length > 0) void take(files);
      else if (/^\s*(?:<\?xml|<svg[\s>])/.test(text))
        void importArtText('Pasted drawing', text, desk).then(
          (id) => id && useDeskView.getState().set({ drawer: 'art' }),
        );
      else if (!pastePathData(desk, text) && !pastedPoints(text) && !pasteHeld(desk)) tellUnknown(text);
    };
    window.addEventListener('dragover', onDragOver);
    window.addEventListener('drop', onDrop);
    window.addEventListener('copy', onCopy);
    window.addEventListener('paste', onPaste);
    return () => {
      window.removeEventListener('dragover', onDragOver);
      window.removeEventListener('drop', onDrop);
      window.removeEventListener('copy', onCopy);
      window.removeEventListener('paste', onPaste);
    };
  }, [desk, navigate]);
}
