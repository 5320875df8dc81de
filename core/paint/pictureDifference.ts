/** How two pictures of one size differ. */
export interface PictureDifference {
  /** The share of pixels that are not equal, 0 to 1. */
  readonly changed: number;
  /** RGBA: what is equal is pale, what differs is dark red. */
  readonly picture: Uint8ClampedArray<ArrayBuffer>;
}

const CHANGED = [0xb3, 0x40, 0x2e] as const;
/** How much of what is equal is left. */
const PALE = 0.25;

/**
 * Compares two pictures pixel by pixel.
 *
 * @param a RGBA, width × height × 4 bytes
 * @param b as many bytes
 * @throws RangeError where they are of different sizes
 */
export function pictureDifference(a: Uint8Array, b: Uint8Array): PictureDifference {
  if (a.length !== b.length) throw new RangeError(`expected ${a.length} bytes, got ${b.length}`);
  const picture = new Uint8ClampedArray(a.length);
  let changed = 0;
  for (let i = 0; i < a.length; i += 4) {
    const equal = a[i] === b[i] && a[i + 1] === b[i + 1] && a[i + 2] === b[i + 2] && a[i + 3] === b[i + 3];
    if (!equal) changed += 1;
    for (let channel = 0; channel < 3; channel += 1)
      picture[i + channel] = equal
        ? 255 - PALE * (255 - (a[i + channel] as number)) * ((a[i + 3] as number) / 255)
        : (CHANGED[channel] as number);
    picture[i + 3] = 255;
  }
  return { changed: a.length === 0 ? 0 : changed / (a.length / 4), picture };
}
