import { zlibSync } from 'fflate';

/** Bytes of a pixel: red, green, blue, alpha. */
const BYTES = 4;

/** How a row is written before it is packed (PNG, third edition, 9): as it is, or each as the filter does that suits it. */
export type Filtering = 'none' | 'each';

/** Of the five filters, that of which the differences are smallest in sum (PNG, third edition, 12.7) is taken for a row. */
const FILTERS = 5;

/** Rows of pixels as PNG holds them before they are packed: a byte for the filter, then the row as it leaves it. */
export function rowsOf(pixels: Uint8Array, width: number, filtering: Filtering): Uint8Array {
  const stride = BYTES * width;
  const height = pixels.length / stride;
  const rows = new Uint8Array((stride + 1) * height);
  const tried = Array.from({ length: FILTERS }, () => new Uint8Array(stride));
  const nothing = new Uint8Array(stride);
  for (let y = 0; y < height; y++) {
    const row = pixels.subarray(y * stride, (y + 1) * stride);
    const above = y > 0 ? pixels.subarray((y - 1) * stride, y * stride) : nothing;
    const best = filtering === 'none' ? 0 : bestFilter(row, above, tried);
    rows[y * (stride + 1)] = best;
    rows.set(filtering === 'none' ? row : (tried[best] ?? row), y * (stride + 1) + 1);
  }
  return rows;
}

/** Filters a row in every way and gives the best. */
function bestFilter(row: Uint8Array, above: Uint8Array, tried: readonly Uint8Array[]): number {
  let best = 0;
  let least = Infinity;
  for (let filter = 0; filter < FILTERS; filter++) {
    const sum = filteredInto(tried[filter] ?? row, row, above, filter);
    if (sum < least) [best, least] = [filter, sum];
    if (sum === 0) break;
  }
  return best;
}

/** Writes a row less what its filter foretells; gives the sum of the differences, each as a number of either sign. */
function filteredInto(into: Uint8Array, row: Uint8Array, above: Uint8Array, filter: number): number {
  let sum = 0;
  for (let x = 0; x < row.length; x++) {
    const left = x < BYTES ? 0 : (row[x - BYTES] ?? 0);
    const up = above[x] ?? 0;
    const corner = x < BYTES ? 0 : (above[x - BYTES] ?? 0);
    const byte = ((row[x] ?? 0) - foretold(filter, left, up, corner)) & 0xff;
    into[x] = byte;
    sum += byte < 128 ? byte : 256 - byte;
  }
  return sum;
}

function foretold(filter: number, left: number, up: number, corner: number): number {
  if (filter === 0) return 0;
  if (filter === 1) return left;
  if (filter === 2) return up;
  if (filter === 3) return (left + up) >> 1;
  // A. W. Paeth, "Image file compression made easy", 1991.
  const [a, b, c] = [Math.abs(up - corner), Math.abs(left - corner), Math.abs(left + up - 2 * corner)];
  return a <= b && a <= c ? left : b <= c ? up : corner;
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
