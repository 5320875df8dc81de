import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { drawnRecipeSchema } from '../recipe/index.ts';
import { strokesBox } from './strokeBox.ts';
import { drawnStroke, MOST_PEN_POINTS } from './drawnStroke.ts';
import { decodePoints, encodePoints, type PenPoint } from './penPoint.ts';
import { strokeOutline } from './strokeOutline.ts';
import { awayFrom, BRUSH, hand } from './testing/hands.ts';

describe('the points of a stroke', () => {
  it('are read back as they were, to a hundredth, in few letters', () => {
    fc.assert(
      fc.property(hand, (points) => {
        const text = encodePoints(points);
        const back = decodePoints(text);
        expect(back).toHaveLength(points.length);
        back.forEach((point, n) => {
          const meant = points[n] as PenPoint;
          expect(Math.abs(point.x - meant.x)).toBeLessThan(0.00501);
          expect(Math.abs(point.y - meant.y)).toBeLessThan(0.00501);
          expect(Math.abs(point.pressure - meant.pressure)).toBeLessThan(0.00501);
          expect(point.time).toBe(meant.time);
        });
        // Read and written again nothing changes any more.
        expect(encodePoints(back)).toBe(text);
        if (points.length > 8) expect(text.length / points.length).toBeLessThan(12);
      }),
    );
  });

  it('are refused where they are none', () => {
    for (const text of ['', 'A', 'AAAAA', '?!?!', 'ééé']) expect(() => decodePoints(text)).toThrow(RangeError);
  });

  it('are thinned out where there are more than can be kept, and end where the hand did', () => {
    const many = Array.from({ length: 50_000 }, (_, n): PenPoint => ({ x: n / 100, y: 0, time: n, pressure: 0.5 }));
    const stroke = drawnStroke(BRUSH, many, 1);
    const kept = decodePoints(stroke.points);
    expect(kept.length).toBeLessThanOrEqual(MOST_PEN_POINTS);
    expect(kept.at(-1)?.x).toBeCloseTo(499.99, 2);
    drawnRecipeSchema.validateSync({ kind: 'drawn', strokes: [stroke] }, { strict: true });
  });
});

describe('what a brush leaves', () => {
  it('is a dot where the hand only touched', () => {
    const box = strokesBox([drawnStroke(BRUSH, [{ x: 3, y: 4, time: 0, pressure: 1 }], 1)]);
    expect(box).toBeDefined();
    expect((box?.left ?? 0) + (box?.right ?? 0)).toBeCloseTo(6, 0);
    expect((box?.right ?? 0) - (box?.left ?? 0)).toBeGreaterThan(1);
    expect((box?.right ?? 0) - (box?.left ?? 0)).toBeLessThan(8);
  });

  it('is as wide as the brush where it is pressed fully, and thinner where it is not', () => {
    const line = (pressure: number): PenPoint[] =>
      Array.from({ length: 60 }, (_, n) => ({ x: n * 2, y: 0, time: n, pressure }));
    const even = { ...BRUSH, taperStart: 0, taperEnd: 0, pressure: 'none' as const };
    const box = strokesBox([drawnStroke(even, line(0.5), 1)]);
    expect((box?.bottom ?? 0) - (box?.top ?? 0)).toBeCloseTo(6, 1);
    const heightOf = (pressure: number): number => {
      const pressed = strokesBox([drawnStroke({ ...even, pressure: 'pen' }, line(pressure), 1)]);
      return (pressed?.bottom ?? 0) - (pressed?.top ?? 0);
    };
    expect(heightOf(0.2)).toBeLessThan(heightOf(0.5));
    expect(heightOf(0.5)).toBeLessThan(heightOf(0.9));
  });

  it('has a rough edge that is the same for the same seed', () => {
    const points = Array.from({ length: 40 }, (_, n): PenPoint => ({ x: n * 2, y: n, time: n, pressure: 0.7 }));
    const rough = { ...BRUSH, roughness: 1 };
    expect(strokeOutline(points, rough, 4)).toEqual(strokeOutline(points, rough, 4));
    expect(strokeOutline(points, rough, 4)).not.toEqual(strokeOutline(points, rough, 5));
    // It strays by no more than is said.
    const clean = strokeOutline(points, BRUSH, 4);
    for (const point of strokeOutline(points, rough, 4)) expect(awayFrom(clean, point)).toBeLessThan(0.13 * 6);
  });
});
