import fc from 'fast-check';
import { expect, it } from 'vitest';
import { LABEL_WIDTH, labelPlace } from './labelPlace.ts';

const HIGH = 116;
const WINDOW = { width: 921, height: 663 };
const anyBox = fc
  .record({
    left: fc.integer({ min: -200, max: 900 }),
    top: fc.integer({ min: -200, max: 640 }),
    width: fc.integer({ min: 4, max: 900 }),
    height: fc.integer({ min: 4, max: 700 }),
  })
  .map(({ left, top, width, height }) => ({ left, top, right: left + width, bottom: top + height }));

/** How much of a box the label hides, square pixels. */
function hidden(
  box: { left: number; top: number; right: number; bottom: number },
  { left, top }: { left: number; top: number },
): number {
  return (
    Math.max(0, Math.min(box.right, left + LABEL_WIDTH) - Math.max(box.left, left)) *
    Math.max(0, Math.min(box.bottom, top + HIGH) - Math.max(box.top, top))
  );
}

it('lies within the window, and never over the motif where there is room beside it', () => {
  fc.assert(
    fc.property(anyBox, fc.boolean(), (box, headDown) => {
      const place = labelPlace(box, WINDOW, HIGH, headDown);
      expect(place.left).toBeGreaterThanOrEqual(8);
      expect(place.top).toBeGreaterThanOrEqual(8);
      expect(place.left + LABEL_WIDTH).toBeLessThanOrEqual(WINDOW.width - 8);
      expect(place.top + HIGH).toBeLessThanOrEqual(WINDOW.height - 8);
      const hasRoom =
        box.top >= HIGH + 52 ||
        WINDOW.height - box.bottom >= HIGH + 52 ||
        box.left >= LABEL_WIDTH + 22 ||
        WINDOW.width - box.right >= LABEL_WIDTH + 22;
      if (hasRoom) expect(hidden(box, place)).toBe(0);
    }),
    { numRuns: 400 },
  );
});

it('hides no more than the other corners would where the motif fills the window', () => {
  fc.assert(
    fc.property(fc.integer({ min: 0, max: 380 }), fc.integer({ min: 0, max: 380 }), (left, right) => {
      const box = { left, top: 20, right: WINDOW.width - right, bottom: WINDOW.height - 20 };
      const place = labelPlace(box, WINDOW, HIGH, false);
      for (const corner of [
        { left: 8, top: WINDOW.height - HIGH - 8 },
        { left: WINDOW.width - LABEL_WIDTH - 8, top: WINDOW.height - HIGH - 8 },
      ]) {
        expect(hidden(box, place)).toBeLessThanOrEqual(hidden(box, corner) + 14 * (LABEL_WIDTH + HIGH));
      }
    }),
  );
});
