/** The name of bytes: their SHA-256 in hexadecimal digits. */
export async function sha256(bytes: Uint8Array<ArrayBuffer>): Promise<string> {
  const digest = new Uint8Array(await crypto.subtle.digest('SHA-256', bytes));
  return [...digest].map((byte) => byte.toString(16).padStart(2, '0')).join('');
}

export function toBase64(bytes: Uint8Array): string {
  let text = '';
  for (let i = 0; i < bytes.length; i += 0x8000) text += String.fromCharCode(...bytes.subarray(i, i + 0x8000));
  return btoa(text);
}

export function fromBase64(text: string): Uint8Array<ArrayBuffer> {
  const plain = atob(text);
  const bytes = new Uint8Array(plain.length);
  for (let i = 0; i < plain.length; i++) bytes[i] = plain.charCodeAt(i);
  return bytes;
}

/** Names under which something else is kept than they say; pixels are kept once for all scenes, so none may come in by another's name. */
export async function falseNames(assets: Readonly<Record<string, string>>): Promise<string[]> {
  const checked = await Promise.all(
    Object.entries(assets).map(async ([name, data]) => ((await sha256(fromBase64(data))) === name ? [] : [name])),
  );
  return checked.flat();
}
