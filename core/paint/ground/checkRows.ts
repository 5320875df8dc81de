import type { Box } from '../../geometry/index.ts';
import type { PixelGrid } from '../../lattice/index.ts';
import { mixtures, putMixture, STEPS } from './mixture.ts';
import type { CheckedScene, PatternedScene } from './sceneGround.ts';

/**
 * Checks: bands across and down, and what comes of their crossings.
 *
 * @returns paints a part of the lattice's upright domain, RGBA
 */
export function checkRows(
  { colours, across, down, share, crossing, mixing }: CheckedScene & Pick<PatternedScene, 'mixing'>,
  { lattice: { domain } }: PixelGrid,
): (part: Box) => Uint8ClampedArray {
  const table = mixtures(...colours, mixing);
  const shareOf =
    crossing === 'woven'
      ? (a: number, b: number): number => (a + b) / 2
      : (a: number, b: number): number => a * (1 - b) + b * (1 - a);
  return ({ left, top, right, bottom }) => {
    const width = right - left;
    const columns = bandsOf(left, right, across.across / domain.width, share);
    const rows = bandsOf(top, bottom, down.down / domain.height, share);
    const out = new Uint8ClampedArray(4 * width * rows.length);
    for (let y = 0; y < rows.length; y++)
      for (let x = 0; x < width; x++)
        putMixture(
          out,
          4 * (y * width + x),
          table,
          Math.round(STEPS * shareOf(columns[x] as number, rows[y] as number)),
        );
    return out;
  };
}

/** How much of each pixel lies in bands. @param step how many pairs of bands one pixel is; @param share of a pair that is band */
function bandsOf(from: number, to: number, step: number, share: number): Float64Array {
  // The length of band up to a phase.
  const upTo = (phase: number): number => {
    const whole = Math.floor(phase);
    return whole * share + Math.min(share, phase - whole);
  };
  return Float64Array.from({ length: to - from }, (_, n) => {
    const start = (from + n) * step;
    return Math.min(1, Math.max(0, (upTo(start + step) - upTo(start)) / step));
  });
}
