/** The largest prime below 2¹⁶, and as many bytes as can be added before the sums outgrow 32 bits (RFC 1950). */
const [BASE, AT_A_TIME] = [65_521, 5552];

/** Adler's checksum of bytes (RFC 1950). */
export function adler32(bytes: Uint8Array): number {
  let [low, high] = [1, 0];
  for (let from = 0; from < bytes.length; from += AT_A_TIME) {
    const end = Math.min(bytes.length, from + AT_A_TIME);
    for (let n = from; n < end; n += 1) {
      low += bytes[n] as number;
      high += low;
    }
    low %= BASE;
    high %= BASE;
  }
  return joined(low, high);
}

/** The checksum of bytes and others after them, by the checksums of both. @param length of the others */
export function joinedAdler32(first: number, second: number, length: number): number {
  const [low, high] = [first & 0xffff, first >>> 16];
  const [otherLow, otherHigh] = [second & 0xffff, second >>> 16];
  // Every byte of the others adds all that is before them once more to the higher sum; each sum began with 1.
  const carried = ((length % BASE) * (low + BASE - 1)) % BASE;
  return joined((low + otherLow + BASE - 1) % BASE, (high + otherHigh + carried) % BASE);
}

function joined(low: number, high: number): number {
  return ((high << 16) | low) >>> 0;
}
