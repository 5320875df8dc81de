import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { halve, levelFor, pictureOf } from './picture.ts';

describe('a picture’s smaller sizes', () => {
  it('are means weighted by what can be seen', () => {
    const two = Uint8ClampedArray.from([200, 0, 0, 255, 0, 100, 0, 255, 9, 9, 9, 0, 100, 100, 0, 255]);
    // The transparent pixel lends no colour, only its emptiness.
    expect([...halve(two, 2, 2)]).toEqual([100, 67, 0, 191]);
    // Beyond an odd edge lies nothing.
    expect([...halve(Uint8ClampedArray.from([50, 60, 70, 255]), 1, 1)]).toEqual([50, 60, 70, 64]);
  });

  it('halve down to one pixel, and cover the whole picture', () => {
    fc.assert(
      fc.property(
        fc.integer({ min: 1, max: 70 }),
        fc.integer({ min: 1, max: 70 }),
        fc.double({ min: 0.001, max: 4, noNaN: true }),
        (width, height, scale) => {
          const picture = pictureOf(
            new Uint8ClampedArray(width * height * 4).fill(255),
            width,
            height,
            () => undefined,
          );
          expect(picture.levels.at(-1)).toMatchObject({ width: 1, height: 1 });
          const shown = levelFor(picture, scale);
          expect(shown.width).toBeGreaterThanOrEqual(width);
          expect(shown.height).toBeGreaterThanOrEqual(height);
          // Drawn at more than half its own size, unless there is no smaller one.
          const share = (scale * shown.width) / shown.level.width;
          expect(share > 0.5 || shown.level.width === 1).toBe(true);
          if (shown.level !== picture.levels[0]) expect(share).toBeLessThan(1.02);
        },
      ),
    );
  });
});
