import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import type { CloneStroke } from '../recipe/index.ts';
import { blankPixels } from '../scan/index.ts';
import { withClones } from './cloneStrokes.ts';
import { type PixelCell, pixelAt } from './pixelCell.ts';

const anyCell: fc.Arbitrary<PixelCell> = fc.record({
  width: fc.integer({ min: 12, max: 40 }),
  height: fc.integer({ min: 12, max: 40 }),
  stacked: fc.constantFrom('columns' as const, 'rows' as const),
  drop: fc.nat({ max: 11 }),
});
const share = (most: number): fc.Arbitrary<number> => fc.double({ min: -most, max: most, noNaN: true });

/** A cell whose colours say where they are. */
function numbered({ width, height }: PixelCell) {
  const image = blankPixels(width, height);
  for (let n = 0; n < width * height; n += 1) image.data.set([n % width, Math.floor(n / width), 9, 255], 4 * n);
  return image;
}

describe('a brush that clones', () => {
  it('paints with what lies as far off everywhere on the cloth, over every edge, and leaves the rest', () => {
    fc.assert(
      fc.property(
        anyCell,
        share(3),
        share(3),
        share(2),
        share(2),
        fc.double({ min: 0.05, max: 0.15, noNaN: true }),
        (cell, x, y, dx, dy, radius) => {
          const before = numbered(cell);
          const stroke: CloneStroke = {
            path: [
              { x, y },
              { x: x + 0.2, y },
            ],
            radius,
            dx,
            dy,
          };
          const after = withClones(before, cell, [stroke]);
          const [ox, oy] = [Math.round(dx * cell.width), Math.round(dy * cell.height)];
          const size = radius * cell.width;
          for (let v = 0; v < cell.height; v += 1)
            for (let u = 0; u < cell.width; u += 1) {
              const at = pixelAt(cell, u, v);
              // Of all its instances, that which is nearest to the stroke.
              let far = Infinity;
              for (let i = -6; i <= 6; i += 1)
                for (let j = -6; j <= 6; j += 1) {
                  const [px, py] =
                    cell.stacked === 'columns'
                      ? [u + i * cell.width, v + j * cell.height + i * cell.drop]
                      : [u + i * cell.width + j * cell.drop, v + j * cell.height];
                  const along = Math.max(0, Math.min(0.2 * cell.width, px + 0.5 - x * cell.width));
                  far = Math.min(far, Math.hypot(px + 0.5 - x * cell.width - along, py + 0.5 - y * cell.height));
                }
              const seen = [...after.data.subarray(4 * at, 4 * at + 4)];
              if (far > size + 1e-6) expect(seen).toEqual([...before.data.subarray(4 * at, 4 * at + 4)]);
              if (far < size / 2 - 1e-6) {
                const from = pixelAt(cell, u + ox, v + oy);
                expect(seen).toEqual([...before.data.subarray(4 * from, 4 * from + 4)]);
              }
            }
        },
      ),
      { numRuns: 40 },
    );
  });
});
