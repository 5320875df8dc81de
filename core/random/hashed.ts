/**
 * A whole number of 32 bits that looks like chance and depends on the seed and a place alone, so that any place can be asked for
 * by itself: the finishing mix of MurmurHash3 (Austin Appleby, public domain) over each number in turn.
 */
export function hashed(seed: number, x: number, y: number): number {
  return mix(mix(mix(seed | 0) ^ Math.imul(x, 0x9e3779b1)) ^ Math.imul(y, 0x85ebca77));
}

/** Another such number after one. */
export const hashedNext = (hash: number): number => mix((hash + 0x6d2b79f5) | 0);

/** The number as one from 0 up to 1. */
export const unitOf = (hash: number): number => (hash >>> 0) / 4294967296;

function mix(value: number): number {
  let h = value;
  h = Math.imul(h ^ (h >>> 16), 0x85ebca6b);
  h = Math.imul(h ^ (h >>> 13), 0xc2b2ae35);
  return h ^ (h >>> 16);
}
