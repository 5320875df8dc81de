import fc from 'fast-check';
import { expect, it } from 'vitest';
import { intersectBoxes } from '../geometry/index.ts';
import { PAPER_NAMES } from '../units/index.ts';
import { sheetLayout } from './sheetLayout.ts';

it('sets every swatch once, inside its page, and none over another', () => {
  fc.assert(
    fc.property(
      fc.nat(80),
      fc.constantFrom(...PAPER_NAMES),
      fc.integer({ min: 1, max: 6 }),
      fc.boolean(),
      (count, paper, columns, endless) => {
        const pages = sheetLayout(count, paper, columns, endless);
        expect(pages.flatMap(({ places }) => places.map(({ index }) => index))).toEqual(
          Array.from({ length: count }, (_, n) => n),
        );
        if (endless) expect(pages).toHaveLength(1);
        for (const { width, height, places } of pages) {
          const boxes = places.flatMap(({ cloth, caption }) => [cloth, caption]);
          for (const [n, box] of boxes.entries()) {
            expect(Math.min(box.left, box.top)).toBeGreaterThan(0);
            expect(box.right).toBeLessThan(width);
            expect(box.bottom).toBeLessThan(height);
            for (const other of boxes.slice(n + 1)) {
              const both = intersectBoxes(box, other);
              expect(both ? (both.right - both.left) * (both.bottom - both.top) : 0).toBeLessThan(1e-6);
            }
          }
        }
      },
    ),
  );
});
