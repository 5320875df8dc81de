import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { compose, type Point, rotationMatrix, scalingMatrix, transform, translationMatrix } from '../geometry/index.ts';
import { pathBounds } from '../motif/index.ts';
import { knotsOf } from './pathKnots.ts';
import { areaLoop, loopsPath, maskAreas } from './maskAreas.ts';
import { awayFrom, real } from './testing/hands.ts';

const SQUARE: Point[] = areaLoop('box', { x: 10, y: 20 }, { x: 30, y: 50 });

describe('an area of a mask', () => {
  it('is brought into the units of each instance, and lies where it was marked', () => {
    fc.assert(
      fc.property(real(-100, 100), real(-100, 100), real(0, 360), real(0.2, 5), (x, y, degrees, scale) => {
        const matrix = compose(translationMatrix(x, y), compose(rotationMatrix(degrees), scalingMatrix(scale, -scale)));
        const [area, none] = maskAreas([SQUARE], 'hide', [matrix]);
        expect(none).toBeUndefined();
        const [line] = knotsOf(area?.path ?? '');
        const back = line?.knots.map((knot) => transform(matrix, knot)) ?? [];
        expect(back).toHaveLength(4);
        for (const corner of back)
          expect(awayFrom([...SQUARE, SQUARE[0] as Point], corner)).toBeLessThan(0.01 * scale + 0.01);
      }),
    );
  });

  it('holds no more points than its shape needs', () => {
    const dense = Array.from({ length: 20_000 }, (_, n) => {
      const angle = (2 * Math.PI * n) / 20_000;
      return { x: 40 * Math.cos(angle), y: 40 * Math.sin(angle) };
    });
    const [area] = maskAreas([dense], 'hide', [translationMatrix(0, 0)]);
    const [line] = knotsOf(area?.path ?? '');
    expect(line?.knots.length).toBeLessThan(300);
    const closed = [...(line?.knots ?? []), ...(line?.knots.slice(0, 1) ?? [])];
    for (const at of dense.filter((_, n) => n % 50 === 0)) expect(awayFrom(closed, at)).toBeLessThan(0.03);
  });

  it('is an ellipse between two corners, and nothing where there is no area', () => {
    const box = pathBounds(loopsPath([areaLoop('ellipse', { x: 0, y: 0 }, { x: 40, y: 20 })]));
    expect(box).toEqual({ left: 0, top: 0, right: 40, bottom: 20 });
    expect(maskAreas([[{ x: 1, y: 1 }]], 'hide', [translationMatrix(0, 0)])).toEqual([]);
    // A map that has no inverse shows nothing.
    expect(maskAreas([SQUARE], 'hide', [[0, 0, 0, 0, 0, 0]])).toEqual([]);
  });
});
