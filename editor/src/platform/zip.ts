import { zip, type AsyncZippable } from 'fflate';

/** Files as one archive. */
export async function zipped(files: readonly { readonly name: string; readonly blob: Blob }[]): Promise<Blob> {
  const entries: AsyncZippable = {};
  for (const { name, blob } of files) entries[name] = new Uint8Array(await blob.arrayBuffer());
  return new Promise((resolve, reject) =>
    zip(entries, { level: 6 }, (error, bytes) => {
      if (error) reject(error);
      else resolve(new Blob([bytes], { type: 'application/zip' }));
    }),
  );
}

/** What compressed files weigh on their way, bytes. */
export async function gzippedSize(files: readonly { readonly blob: Blob }[]): Promise<number> {
  let size = 0;
  for (const { blob } of files) {
    const packed = await new Response(blob.stream().pipeThrough(new CompressionStream('gzip'))).arrayBuffer();
    size += packed.byteLength;
  }
  return size;
}
