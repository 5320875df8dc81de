import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { boxAround, intersectBoxes, shiftBox } from './box.ts';
import {
  compose,
  IDENTITY,
  invert,
  type Matrix,
  rotationMatrix,
  scalingMatrix,
  transform,
  translationMatrix,
} from './matrix.ts';

const n = fc.double({ min: -50, max: 50, noNaN: true });
const anyMatrix: fc.Arbitrary<Matrix> = fc
  .tuple(
    fc.double({ min: -360, max: 360, noNaN: true }),
    fc.double({ min: 0.1, max: 9, noNaN: true }),
    fc.double({ min: -9, max: -0.1, noNaN: true }),
    n,
    n,
  )
  .map(([turn, sx, sy, x, y]) =>
    compose(translationMatrix(x, y), compose(rotationMatrix(turn), scalingMatrix(sx, sy))),
  );
const anyPoint = fc.record({ x: n, y: n });

describe('matrices', () => {
  it('apply the inner map first', () => {
    fc.assert(
      fc.property(anyMatrix, anyMatrix, anyPoint, (outer, inner, p) => {
        const both = transform(compose(outer, inner), p);
        const point = transform(outer, transform(inner, p));
        expect(both.x).toBeCloseTo(point.x, 6);
        expect(both.y).toBeCloseTo(point.y, 6);
      }),
    );
  });

  it('are undone by their inverse', () => {
    fc.assert(
      fc.property(anyMatrix, anyPoint, (matrix, p) => {
        const back = transform(invert(matrix) ?? IDENTITY, transform(matrix, p));
        expect(back.x).toBeCloseTo(p.x, 6);
        expect(back.y).toBeCloseTo(p.y, 6);
      }),
    );
    expect(invert([1, 2, 2, 4, 0, 0])).toBeUndefined();
  });

  it('turn clockwise, and by quarters exactly', () => {
    expect(transform(rotationMatrix(90), { x: 1, y: 0 })).toEqual({ x: 0, y: 1 });
    expect(rotationMatrix(-90)).toEqual(rotationMatrix(270));
    expect(transform(rotationMatrix(180), { x: 3, y: 4 })).toEqual({ x: -3, y: -4 });
    expect(transform(rotationMatrix(45), { x: 1, y: 0 }).y).toBeCloseTo(Math.SQRT1_2, 12);
  });
});

describe('boxes', () => {
  it('hold their points, move, and share what both cover', () => {
    const box = boxAround([
      { x: 3, y: 1 },
      { x: -1, y: 5 },
    ]);
    expect(box).toEqual({ left: -1, top: 1, right: 3, bottom: 5 });
    expect(shiftBox(box, { x: 1, y: -1 })).toEqual({ left: 0, top: 0, right: 4, bottom: 4 });
    expect(intersectBoxes(box, { left: 2, top: 4, right: 9, bottom: 9 })).toEqual({
      left: 2,
      top: 4,
      right: 3,
      bottom: 5,
    });
    expect(intersectBoxes(box, { left: 3, top: 1, right: 9, bottom: 9 })).toBeUndefined();
    expect(() => boxAround([])).toThrow(RangeError);
  });
});
