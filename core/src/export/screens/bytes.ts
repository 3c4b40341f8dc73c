/** Bytes put together, numbers in either order. */
export class ByteWriter {
  readonly #parts: Uint8Array[] = [];
  #length = 0;

  get length(): number {
    return this.#length;
  }

  add(part: Uint8Array): this {
    this.#parts.push(part);
    this.#length += part.length;
    return this;
  }

  text(ascii: string): this {
    return this.add(Uint8Array.from(ascii, (one) => one.charCodeAt(0)));
  }

  /** A whole number in so many bytes, the lowest first. */
  low(value: number, bytes: number): this {
    return this.add(Uint8Array.from({ length: bytes }, (_, i) => Math.floor(value / 256 ** i) % 256));
  }

  /** The same, the highest first. */
  high(value: number, bytes: number): this {
    return this.add(Uint8Array.from({ length: bytes }, (_, i) => Math.floor(value / 256 ** (bytes - 1 - i)) % 256));
  }

  bytes(): Uint8Array {
    const all = new Uint8Array(this.#length);
    let at = 0;
    for (const part of this.#parts) {
      all.set(part, at);
      at += part.length;
    }
    return all;
  }
}

const CRC_TABLE = Uint32Array.from({ length: 256 }, (_, n) => {
  let c = n;
  for (let k = 0; k < 8; k++) c = c & 1 ? 0xedb88320 ^ (c >>> 1) : c >>> 1;
  return c >>> 0;
});

/** The check sum of PNG chunks: CRC-32 (ISO 3309). */
export function crc32(bytes: Uint8Array): number {
  let c = 0xffffffff;
  for (const byte of bytes) c = (CRC_TABLE[(c ^ byte) & 0xff] ?? 0) ^ (c >>> 8);
  return (c ^ 0xffffffff) >>> 0;
}
