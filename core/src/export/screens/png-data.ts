import { zlibSync } from 'fflate';

/** Bytes of a pixel: red, green, blue, alpha. */
const BYTES = 4;

/** How a row is written before it is packed (PNG, third edition, 9): as it is, or each as the filter does that suits it. */
export type Filtering = 'none' | 'each';

/** Of the five filters, that of which the differences are smallest in sum (PNG, third edition, 12.7) is taken for a row: told by every so many of its bytes, of all channels in turn. */
const FILTERS = 5;
const TOLD_BY = 7;

/** Rows of pixels as PNG holds them before they are packed: a byte for the filter, then the row as it leaves it. */
export function rowsOf(pixels: Uint8Array, width: number, filtering: Filtering): Uint8Array {
  const stride = BYTES * width;
  const height = pixels.length / stride;
  const rows = new Uint8Array((stride + 1) * height);
  const nothing = new Uint8Array(stride);
  for (let y = 0; y < height; y++) {
    const row = pixels.subarray(y * stride, (y + 1) * stride);
    const above = y > 0 ? pixels.subarray((y - 1) * stride, y * stride) : nothing;
    const best = filtering === 'none' ? 0 : bestFilter(row, above);
    rows[y * (stride + 1)] = best;
    filterInto(rows.subarray(y * (stride + 1) + 1, (y + 1) * (stride + 1)), row, above, best);
  }
  return rows;
}

function bestFilter(row: Uint8Array, above: Uint8Array): number {
  let best = 0;
  let least = Infinity;
  for (let filter = 0; filter < FILTERS && least > 0; filter++) {
    let sum = 0;
    for (let x = BYTES; x < row.length && sum < least; x += TOLD_BY) {
      const off = (row[x] ?? 0) - foretold(filter, row[x - BYTES] ?? 0, above[x] ?? 0, above[x - BYTES] ?? 0);
      const byte = off & 0xff;
      sum += byte < 128 ? byte : 256 - byte;
    }
    if (sum < least) [best, least] = [filter, sum];
  }
  return best;
}

/** Writes a row less what its filter foretells. */
function filterInto(into: Uint8Array, row: Uint8Array, above: Uint8Array, filter: number): void {
  if (filter === 0) {
    into.set(row);
    return;
  }
  for (let x = 0; x < row.length; x++) {
    const left = x < BYTES ? 0 : (row[x - BYTES] ?? 0);
    const corner = x < BYTES ? 0 : (above[x - BYTES] ?? 0);
    into[x] = (row[x] ?? 0) - foretold(filter, left, above[x] ?? 0, corner);
  }
}

function foretold(filter: number, left: number, up: number, corner: number): number {
  if (filter === 0) return 0;
  if (filter === 1) return left;
  if (filter === 2) return up;
  return filter === 3 ? (left + up) >> 1 : paeth(left, up, corner);
}

/** A. W. Paeth, "Image file compression made easy", 1991. */
function paeth(left: number, up: number, corner: number): number {
  const toLeft = Math.abs(up - corner);
  const toUp = Math.abs(left - corner);
  const toCorner = Math.abs(left + up - 2 * corner);
  return toLeft <= toUp && toLeft <= toCorner ? left : toUp <= toCorner ? up : corner;
}

/** Streams of the platform that pack: both browsers and Node have them. */
interface Packing {
  readonly CompressionStream?: new (format: 'deflate') => {
    readonly writable: { getWriter(): { write(bytes: Uint8Array): Promise<void>; close(): Promise<void> } };
    readonly readable: { getReader(): { read(): Promise<{ done: boolean; value?: Uint8Array }> } };
  };
}

/** Bytes packed as PNG has them (zlib, RFC 1950): by the platform's own packer, beside what goes on meanwhile, where it has one. */
export async function packed(bytes: Uint8Array): Promise<Uint8Array> {
  const { CompressionStream } = globalThis as Packing;
  if (!CompressionStream) return zlibSync(bytes);
  const { writable, readable } = new CompressionStream('deflate');
  const writer = writable.getWriter();
  const written = writer.write(bytes).then(() => writer.close());
  const parts: Uint8Array[] = [];
  const reader = readable.getReader();
  for (let read = await reader.read(); !read.done; read = await reader.read()) if (read.value) parts.push(read.value);
  await written;
  const all = new Uint8Array(parts.reduce((sum, { length }) => sum + length, 0));
  let at = 0;
  for (const part of parts) {
    all.set(part, at);
    at += part.length;
  }
  return all;
}
