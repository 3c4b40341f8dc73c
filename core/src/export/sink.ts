/** A file that is being written: takes text or bytes in chunks, in order. */
export interface OpenFile {
  write(chunk: string | Uint8Array): void | Promise<void>;
  close(): void | Promise<void>;
}

/** Where a format writes its files: memory, a folder, a download. */
export interface Sink {
  /** Opens a file by its name within the output (no folders above it) and its MIME type. One file at a time. */
  open(name: string, type: string): OpenFile;
}

/** A file held in memory. */
export interface HeldFile {
  readonly name: string;
  readonly type: string;
  readonly chunks: readonly (string | Uint8Array)[];
}

/** A sink that keeps what is written. */
export function memorySink(): { readonly sink: Sink; readonly files: readonly HeldFile[] } {
  const files: (HeldFile & { chunks: (string | Uint8Array)[] })[] = [];
  return {
    files,
    sink: {
      open(name, type) {
        const chunks: (string | Uint8Array)[] = [];
        files.push({ name, type, chunks });
        return { write: (chunk) => void chunks.push(chunk), close: () => undefined };
      },
    },
  };
}

/** The text of a file that was written as text. */
export function textOf({ name, chunks }: HeldFile): string {
  return chunks
    .map((chunk) => {
      if (typeof chunk !== 'string') throw new TypeError(`"${name}" holds bytes, not text`);
      return chunk;
    })
    .join('');
}

/** The bytes of a file: its text as UTF-8. */
export function bytesOf({ chunks }: HeldFile): Uint8Array {
  const encoder = new TextEncoder();
  const parts = chunks.map((chunk) => (typeof chunk === 'string' ? encoder.encode(chunk) : chunk));
  const all = new Uint8Array(parts.reduce((sum, part) => sum + part.length, 0));
  let at = 0;
  for (const part of parts) {
    all.set(part, at);
    at += part.length;
  }
  return all;
}

/** Writes a whole file at once. */
export async function writeFile(sink: Sink, name: string, type: string, content: string | Uint8Array): Promise<void> {
  const file = sink.open(name, type);
  await file.write(content);
  await file.close();
}
