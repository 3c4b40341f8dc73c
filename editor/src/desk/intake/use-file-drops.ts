import { useEffect } from 'react';
import { useNavigate } from 'react-router';
import { tell, warn } from '../../look/notices.tsx';
import { useDesk } from '../context.ts';
import { FILE_KINDS } from './kinds/index.ts';
import type { FileKind } from './kinds/kind.ts';
import { useDeskView } from '../view.ts';
import { copiedText, copySelected, pasteHeld } from '../actions/clipboard.ts';
import { pastePathData } from '../actions/outlines.ts';

/** Characters of pasted text that are looked at: more comes as a file. */
const MOST_PASTED = 5_000_000;

/** Says that what was pasted is nothing that a scene takes. */
const tellUnknown = (text: string): void =>
  tell(
    text.trim() === ''
      ? 'There is nothing to paste: nothing was copied on the Desk, and the clipboard holds no text or picture.'
      : `“${text.trim().slice(0, 40)}${text.trim().length > 40 ? '…' : ''}” is not a drawing, a path or a list of points.`,
    'Nothing was pasted',
  );

const ALL_KINDS = new Intl.ListFormat('en-GB').format(new Set(FILE_KINDS.map(({ name }) => name)));

/** The first kind that accepts a file. */
async function kindOf(file: File): Promise<FileKind | undefined> {
  const meets = { isArtOpen: useDeskView.getState().drawer === 'art' };
  for (const kind of FILE_KINDS) if (await kind.accepts(file, meets)) return kind;
  return undefined;
}

const inField = (target: EventTarget | null): boolean =>
  target instanceof HTMLElement && target.closest('input, textarea, [role="dialog"]') !== null;

/** Files dropped or pasted anywhere on the Desk: SVG becomes art, a scene file or a sent file that carries one is opened; copy and paste of things in the scene. */
export function useFileDrops(): void {
  const desk = useDesk();
  const navigate = useNavigate();
  useEffect(() => {
    const take = async (files: readonly File[]): Promise<void> => {
      for (const file of files) {
        const kind = await kindOf(file);
        if (!kind) {
          warn(`${file.name} was not imported`, `The Desk takes ${ALL_KINDS}. Nothing was changed.`);
          continue;
        }
        const other = await kind.take(file, desk);
        if (typeof other === 'string') return void navigate(`/scene/${other}`);
      }
    };
    /** What is neither a drawing nor a path: a list of points, or a place-holder for what was copied on the Desk. */
    const pasteText = async (text: string): Promise<void> => {
      const guides = text.length > MOST_PASTED ? undefined : await import('./guides.ts');
      if (guides?.isPointList(text)) await guides.importPoints('Pasted points', text, desk);
      else if (!pasteHeld(desk)) tellUnknown(text);
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
        void import('./art.ts')
          .then(({ importArtText }) => importArtText('Pasted drawing', text, desk))
          .then((id) => id && useDeskView.getState().set({ drawer: 'art' }));
      else if (!pastePathData(desk, text)) void pasteText(text);
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
