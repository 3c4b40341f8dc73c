/** Offers a text as a file to keep. */
export const saveFile = (name: string, type: string, text: string): void => saveBlob(name, new Blob([text], { type }));

/** Offers bytes as a file to keep. */
export function saveBlob(name: string, blob: Blob): void {
  const url = URL.createObjectURL(blob);
  const link = document.createElement('a');
  link.href = url;
  link.download = name;
  link.click();
  setTimeout(() => URL.revokeObjectURL(url), 10_000);
}

/** Asks for files; an empty list when nothing was chosen. */
export function pickFiles(accept: string): Promise<File[]> {
  return new Promise((resolve) => {
    const input = document.createElement('input');
    input.type = 'file';
    input.accept = accept;
    input.multiple = true;
    input.hidden = true;
    input.addEventListener('change', () => {
      resolve([...(input.files ?? [])]);
      input.remove();
    });
    input.addEventListener('cancel', () => {
      resolve([]);
      input.remove();
    });
    document.body.append(input);
    input.click();
  });
}

export const isSvgFile = (file: File): boolean => file.type === 'image/svg+xml' || /\.svg$/i.test(file.name);

/** Whether a sent file may carry a scene in it. */
export const mayCarryScene = (file: File): boolean => /\.(svg|html?|jsx?|css)$/i.test(file.name);

export const isSceneFile = (file: File): boolean => /\.json$/i.test(file.name) || file.type === 'application/json';
