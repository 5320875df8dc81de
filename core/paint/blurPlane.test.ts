import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { blurPlane } from './blurPlane.ts';

const SIDE = 121;
const MIDDLE = 60;

/** What becomes of a single place. */
function spread(sigma: number): Float32Array {
  const values = new Float32Array(SIDE * SIDE);
  values[MIDDLE * SIDE + MIDDLE] = 1;
  return blurPlane(values, SIDE, SIDE, sigma);
}

describe('a blurred plane', () => {
  it('has the sum and, both ways, the variance of a Gaussian, for every sigma', () => {
    fc.assert(
      fc.property(fc.double({ min: 0.2, max: 12, noNaN: true }), (sigma) => {
        const blurred = spread(sigma);
        let [sum, xx, yy, xy] = [0, 0, 0, 0];
        blurred.forEach((value, n) => {
          const [x, y] = [(n % SIDE) - MIDDLE, Math.floor(n / SIDE) - MIDDLE];
          sum += value;
          xx += x * x * value;
          yy += y * y * value;
          xy += x * y * value;
        });
        expect(sum).toBeCloseTo(1, 4);
        expect(Math.sqrt(xx)).toBeCloseTo(sigma, 2);
        expect(Math.sqrt(yy)).toBeCloseTo(sigma, 2);
        expect(xy).toBeCloseTo(0, 3);
      }),
      { numRuns: 20 },
    );
  });

  it('comes within an eighth of the Gaussian’s own height', () => {
    for (const sigma of [3, 6.5, 10]) {
      const blurred = spread(sigma);
      const top = 1 / (2 * Math.PI * sigma * sigma);
      for (const x of [0, Math.round(sigma), Math.round(2 * sigma)]) {
        const meant = top * Math.exp(-(x * x) / (2 * sigma * sigma));
        expect(Math.abs((blurred[MIDDLE * SIDE + MIDDLE + x] as number) - meant)).toBeLessThan(top / 8);
      }
    }
  });

  it('is the same plane where nothing is blurred', () => {
    const values = new Float32Array([0, 1, 0.5, 0.25]);
    expect(blurPlane(values, 2, 2, 0)).toBe(values);
  });
});
