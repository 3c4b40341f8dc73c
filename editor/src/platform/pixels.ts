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

/** Newer browsers do it by themselves, many times as fast. */
type Native = typeof Uint8Array & { fromBase64?: (text: string) => Uint8Array<ArrayBuffer> };

/** @throws where the text is not base64. */
export function fromBase64(text: string): Uint8Array<ArrayBuffer> {
  const native = (Uint8Array as Native).fromBase64;
  if (native) return native.call(Uint8Array, text);
  const plain = atob(text);
  const bytes = new Uint8Array(plain.length);
  for (let i = 0; i < plain.length; i++) bytes[i] = plain.charCodeAt(i);
  return bytes;
}

/** Whether pixels, as base64, are those that their name says; none is. */
export async function isTrueName(name: string, data: string): Promise<boolean> {
  if (data === '') return false;
  try {
    return (await sha256(fromBase64(data))) === name;
  } catch {
    return false;
  }
}

/** Names under which something else is kept than they say; pixels are kept once for all scenes, so none may come in by another's name. What is empty is known to be missing. */
export async function falseNames(assets: Readonly<Record<string, string>>): Promise<string[]> {
  const checked = await Promise.all(
    Object.entries(assets).map(async ([name, data]) => (data === '' || (await isTrueName(name, data)) ? [] : [name])),
  );
  return checked.flat();
}
