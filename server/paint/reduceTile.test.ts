import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { reduceTile } from '../../core/paint/index.ts';

describe('a reduced unit', () => {
  it('is the mean of each block of the repeated plane', () => {
    fc.assert(
      fc.property(
        fc.integer({ min: 1, max: 9 }),
        fc.integer({ min: 1, max: 9 }),
        fc.constantFrom(2, 4, 8),
        fc.infiniteStream(fc.integer({ min: 0, max: 255 })),
        (width, height, reduction, stream) => {
          const unit = Uint8ClampedArray.from({ length: width * height * 4 }, () => stream.next().value as number);
          const reduced = reduceTile(unit, width, height, reduction);
          for (let y = 0; y < height; y += 1) {
            for (let x = 0; x < width; x += 1) {
              const total = [0, 0, 0, 0];
              for (let dy = 0; dy < reduction; dy += 1) {
                for (let dx = 0; dx < reduction; dx += 1) {
                  const at = (((y * reduction + dy) % height) * width + ((x * reduction + dx) % width)) * 4;
                  const alpha = unit[at + 3] as number;
                  for (let c = 0; c < 3; c += 1) total[c] = (total[c] as number) + (unit[at + c] as number) * alpha;
                  total[3] = (total[3] as number) + alpha;
                }
              }
              const alpha = total[3] as number;
              for (let c = 0; c < 3; c += 1) {
                expect(reduced[(y * width + x) * 4 + c]).toBeCloseTo(alpha ? (total[c] as number) / alpha : 0, -0.4);
              }
              expect(
                Math.abs((reduced[(y * width + x) * 4 + 3] as number) - alpha / reduction ** 2),
              ).toBeLessThanOrEqual(0.5);
            }
          }
        },
      ),
      { numRuns: 40 },
    );
  });
});
