import { expect, test } from 'vitest';
import { falseNames, fromBase64, sha256, toBase64 } from './pixels.ts';

const bytes = new TextEncoder().encode('abc');
/** SHA-256 of "abc", as FIPS 180-2 gives it. */
const ABC = 'ba7816bf8f01cfea414140de5dae2223b00361a396177a9cb410ff61f20015ad';

test('bytes are called by their SHA-256, and come back from base64 as they were', async () => {
  expect(await sha256(bytes)).toBe(ABC);
  const long = Uint8Array.from({ length: 100_000 }, (_, i) => (i * 7) % 256);
  expect(fromBase64(toBase64(long))).toEqual(long);
});

test('what is called by another’s name is found', async () => {
  const [own, other] = [toBase64(bytes), toBase64(new TextEncoder().encode('abd'))];
  expect(await falseNames({ [ABC]: own })).toEqual([]);
  expect(await falseNames({ [ABC]: other })).toEqual([ABC]);
});
