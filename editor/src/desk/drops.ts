import { useEffect } from 'react';
import { useNavigate } from 'react-router';
import { warn } from '../look/notices.ts';
import { isSceneFile, isSvgFile } from '../platform/files.ts';
import { openSceneFile } from '../shelf/open-scene.ts';
import { useDesk } from './context.ts';
import { importArt, importArtText } from './import-art.ts';
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
        if (isSvgFile(file)) {
          if (await importArt(file, actions)) useDeskView.getState().set({ drawer: 'art' });
        } else if (isSceneFile(file)) {
          const id = await openSceneFile(file);
          if (id !== undefined) return void navigate(`/scene/${id}`);
        } else
          warn(
            `${file.name} was not taken in`,
            'The Desk takes SVG drawings and Pace Line scenes. Nothing was changed.',
          );
      }
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
      event.clipboardData?.setData('text/plain', 'Pace Line selection');
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
      else actions.paste();
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
