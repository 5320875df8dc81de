import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { seeded } from '../random/index.ts';
import { Fourier } from './fourier.ts';
import { filterWaves } from './latticeSpectrum.ts';
import { type PixelCell, pixelAt } from './pixelCell.ts';

const anyCell: fc.Arbitrary<PixelCell> = fc
  .record({
    width: fc.integer({ min: 2, max: 24 }),
    height: fc.integer({ min: 2, max: 24 }),
    stacked: fc.constantFrom('columns' as const, 'rows' as const),
    drop: fc.nat({ max: 23 }),
  })
  .map((cell) => ({ ...cell, drop: cell.drop % (cell.stacked === 'columns' ? cell.height : cell.width) }));

function noise(length: number, seed: number): Float64Array {
  const random = seeded(seed);
  return Float64Array.from({ length }, () => random() - 0.5);
}

describe('a transform of any length', () => {
  it('is the sum that it is said to be, and comes back', () => {
    fc.assert(
      fc.property(fc.integer({ min: 1, max: 70 }), fc.nat(), (length, seed) => {
        const data = noise(2 * length, seed);
        const fourier = new Fourier(length);
        const spectrum = data.slice();
        fourier.forward(spectrum);
        for (let k = 0; k < length; k += 1) {
          let [re, im] = [0, 0];
          for (let n = 0; n < length; n += 1) {
            const angle = (-2 * Math.PI * k * n) / length;
            re += (data[2 * n] as number) * Math.cos(angle) - (data[2 * n + 1] as number) * Math.sin(angle);
            im += (data[2 * n] as number) * Math.sin(angle) + (data[2 * n + 1] as number) * Math.cos(angle);
          }
          expect(spectrum[2 * k]).toBeCloseTo(re, 9);
          expect(spectrum[2 * k + 1]).toBeCloseTo(im, 9);
        }
        fourier.inverse(spectrum);
        spectrum.forEach((value, n) => expect(value).toBeCloseTo(data[n] as number, 10));
      }),
    );
  });
});

describe('waves that repeat with a cell', () => {
  it('solve Poisson’s equation on the torus of any step, exactly', () => {
    fc.assert(
      fc.property(anyCell, fc.nat(), (cell, seed) => {
        const count = cell.width * cell.height;
        const wanted = noise(2 * count, seed);
        for (const part of [0, 1]) {
          let sum = 0;
          for (let n = part; n < wanted.length; n += 2) sum += wanted[n] as number;
          for (let n = part; n < wanted.length; n += 2) wanted[n] = (wanted[n] as number) - sum / count;
        }
        const laplacian = new Float64Array(2 * count);
        for (let y = 0; y < cell.height; y += 1)
          for (let x = 0; x < cell.width; x += 1)
            for (const part of [0, 1]) {
              const value = (u: number, v: number): number => wanted[2 * pixelAt(cell, u, v) + part] as number;
              laplacian[2 * (y * cell.width + x) + part] =
                value(x + 1, y) + value(x - 1, y) + value(x, y + 1) + value(x, y - 1) - 4 * value(x, y);
            }
        filterWaves(laplacian, cell, (u, v) => {
          const divisor = 2 * Math.cos(2 * Math.PI * u) + 2 * Math.cos(2 * Math.PI * v) - 4;
          return divisor > -1e-12 ? 0 : 1 / divisor;
        });
        laplacian.forEach((value, n) => expect(value).toBeCloseTo(wanted[n] as number, 8));
      }),
    );
  });
});
