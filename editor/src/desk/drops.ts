import { useEffect } from 'react';
import { useNavigate } from 'react-router';
import { looksLikeCollection } from '../document/index.ts';
import { warn } from '../look/notices.tsx';
import { isSceneFile, isSvgFile } from '../platform/files.ts';
import { openSceneFile } from '../shelf/open-scene.ts';
import { useDesk } from './context.ts';
import { importArt, importArtText } from './import-art.ts';
import { importGuideFiles, importPoints, isGuideFile } from './import-guides.ts';
import { addTracingFile, isPictureFile } from './tracing.ts';
import { useDeskView } from './view.ts';

const inField = (target: EventTarget | null): boolean =>
  target instanceof HTMLElement && target.closest('input, textarea, [role="dialog"]') !== null;

/** Files dropped or pasted anywhere on the Desk: SVG becomes art, a scene file is opened; copy and paste of things in the scene. */
export function useFileDrops(): void {
  const { actions } = useDesk();
  const navigate = useNavigate();
  useEffect(() => {
    const take = async (files: readonly File[]): Promise<void> => {
      for (const file of files) {
        if (isGuideFile(file)) await importGuideFiles([file], actions);
        else if (isPictureFile(file)) await addTracingFile(file, actions);
        else if (isSvgFile(file)) {
          if (await importArt(file, actions)) useDeskView.getState().set({ drawer: 'art' });
        } else if (isSceneFile(file) && looksLikeCollection(await file.slice(0, 400).text())) {
          await importGuideFiles([file], actions);
        } else if (isSceneFile(file)) {
          const id = await openSceneFile(file);
          if (id !== undefined) return void navigate(`/scene/${id}`);
        } else
          warn(
            `${file.name} was not taken in`,
            'The Desk takes SVG drawings, pictures to draw over, lists of points (CSV), GPX tracks and Pace Line files. Nothing was changed.',
          );
      }
    };
    const pastedPoints = (text: string): boolean => {
      const lines = text.trim().split(/\r?\n/);
      const isList = lines.length > 1 && lines.every((line) => /^\s*"?[-+.\d][^a-z]*$/i.test(line));
      if (isList) importPoints('Pasted points', text, actions);
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
      if (inField(event.target) || !actions.copy()) return;
      event.preventDefault();
      event.clipboardData?.setData('text/plain', actions.copiedText());
    };
    const onPaste = (event: ClipboardEvent): void => {
      if (inField(event.target)) return;
      event.preventDefault();
      const files = [...(event.clipboardData?.files ?? [])];
      const text = event.clipboardData?.getData('text/plain') ?? '';
      if (files.length > 0) void take(files);
      else if (/^\s*(?:<\?xml|<svg[\s>])/.test(text))
        void importArtText('Pasted drawing', text, actions).then(
          (id) => id && useDeskView.getState().set({ drawer: 'art' }),
        );
      else if (!actions.guides.pastePathData(text) && !pastedPoints(text)) actions.paste();
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
  }, [actions, navigate]);
}
