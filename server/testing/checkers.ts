import type { Artwork } from '../../core/motif/index.ts';
import { type Fill, FULL, type PatternPyramid, pyramidOf, TO_LINEAR } from '../../core/tryon/index.ts';

/** A pattern at true size, along the grain. */
export const FILL: Fill = { source: { design: 'd' }, scale: 1, rotation: 0, x: 0, y: 0, isParted: false };

/** An artwork with nothing in it. */
export const nothing = (width: number, height: number): Artwork => ({
  version: 1,
  view: { x: 0, y: 0, width, height },
  nodes: [],
});

/** Squares of so many mm, white and black by turns, in 8 pixels to a mm. */
export function checkers(mm: number): PatternPyramid {
  const density = 8;
  const size = 2 * mm * density;
  const pixels = new Uint8ClampedArray(size * size * 4);
  for (let i = 0; i < size * size; i += 1) {
    const level = i % size < size / 2 === Math.floor(i / size) < size / 2 ? 255 : 0;
    pixels.set([level, level, level, 255], i * 4);
  }
  return { grid: { scaleX: density, scaleY: density }, levels: pyramidOf(pixels, size, size) };
}

/** An sRGB number as light, 0 to 1. */
export const linear = (level: number): number => (TO_LINEAR[level] as number) / FULL;

/** Where the light along a line of pixels crosses one half, in pixels, from the middles of the pixels. */
export function crossings(count: number, light: (n: number) => number): number[] {
  const found: number[] = [];
  for (let n = 0; n + 1 < count; n += 1) {
    const [a, b] = [light(n) - 0.5, light(n + 1) - 0.5];
    if (a > 0 !== b > 0) found.push(n + 0.5 + a / (a - b));
  }
  return found;
}
