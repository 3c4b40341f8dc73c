import { useEffect } from 'react';

/** Hands over the files that are dropped anywhere on the window. */
export function useDroppedFiles(onFiles: (files: readonly File[]) => void): void {
  useEffect(() => {
    const over = (event: DragEvent): void => event.preventDefault();
    const drop = (event: DragEvent): void => {
      event.preventDefault();
      onFiles([...(event.dataTransfer?.files ?? [])]);
    };
    window.addEventListener('dragover', over);
    window.addEventListener('drop', drop);
    return () => {
      window.removeEventListener('dragover', over);
      window.removeEventListener('drop', drop);
    };
  });
}
