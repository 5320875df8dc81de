import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { proportionOf, SQUARE } from '../../../core/lattice/index.ts';
import { MIRRORED_STEPS, ROTATED_STEPS } from '../../../core/testing/arbitraries.ts';
import {
  CORNERS,
  firstWish,
  movedFrame,
  placeInFrame,
  resizedFrame,
  turnedFrame,
  withFrame,
  withWay,
} from './frameHands.ts';

const SHEET = { width: 1600, height: 1200, dpi: 300 };
const number = (min: number, max: number): fc.Arbitrary<number> => fc.double({ min, max, noNaN: true });
const anyFrame = fc.record({
  x: number(0, 1600),
  y: number(0, 1200),
  width: number(10, 900),
  height: number(10, 900),
  rotation: number(-180, 180),
  shear: number(-30, 30),
});
const anyPlace = fc.record({ x: number(-500, 2000), y: number(-500, 2000) });

describe('a frame on a picture', () => {
  it('keeps the corner across from the one that is dragged, and its proportions where asked', () => {
    fc.assert(
      fc.property(
        anyFrame,
        fc.constantFrom(...CORNERS),
        anyPlace,
        fc.option(number(0.3, 3), { nil: undefined }),
        (frame, corner, to, proportion) => {
          const across = { x: -corner.x, y: -corner.y };
          const next = resizedFrame(frame, corner, to, proportion);
          const [before, after] = [placeInFrame(frame, across), placeInFrame(next, across)];
          expect(Math.hypot(before.x - after.x, before.y - after.y)).toBeLessThan(1e-6);
          expect(next.rotation).toBe(frame.rotation);
          if (proportion !== undefined) expect(next.height / next.width).toBeCloseTo(proportion, 9);
          else if (next.width > 8.001 && next.height > 8.001) {
            const at = placeInFrame(next, corner);
            expect(Math.hypot(at.x - to.x, at.y - to.y)).toBeLessThan(1e-6);
          }
          expect(Math.min(next.width, next.height)).toBeGreaterThan(2);
        },
      ),
    );
  });

  it('stays on the picture, turns towards the hand, and keeps its pixels as large as they were', () => {
    fc.assert(
      fc.property(anyFrame, anyPlace, (frame, to) => {
        const moved = movedFrame(frame, to, SHEET);
        expect(moved.x >= 0 && moved.x <= 1600 && moved.y >= 0 && moved.y <= 1200).toBe(true);
        expect(Math.abs(turnedFrame(frame, to, true).rotation % 15)).toBe(0);
        const wish = firstWish(SHEET, { kind: 'laid', step: SQUARE });
        const next = withFrame(wish, frame);
        if (next.width > 5 && next.width < 5000)
          expect(next.width / next.frame.width).toBeCloseTo(wish.width / wish.frame.width, 9);
      }),
    );
  });

  it('takes the proportions of every step', () => {
    for (const step of [...MIRRORED_STEPS, ...ROTATED_STEPS]) {
      const { frame } = withWay(firstWish(SHEET, { kind: 'laid', step: SQUARE }), { kind: 'laid', step });
      expect(frame.height / frame.width).toBeCloseTo(proportionOf(step) ?? 0.75, 9);
    }
  });
});
