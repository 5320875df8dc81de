import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import type { Point } from '../geometry/index.ts';
import { type Corners, cornersFault, homographyOnto, invertHomography, project } from './homography.ts';

const WIDTH = 300;
const HEIGHT = 200;
const wobble = fc.double({ min: -60, max: 60, noNaN: true });
/** A face seen at an angle: a rectangle whose corners are moved by less than a third of its shorter side. */
const anyCorners = fc
  .tuple(wobble, wobble, wobble, wobble, wobble, wobble, wobble, wobble)
  .map(([a, b, c, d, e, f, g, h]): Corners => [
    { x: 100 + a, y: 80 + b },
    { x: 400 + c, y: 80 + d },
    { x: 400 + e, y: 280 + f },
    { x: 100 + g, y: 280 + h },
  ])
  .filter((corners) => cornersFault(corners) === undefined);
const onCloth = fc.record({
  x: fc.double({ min: 0, max: WIDTH, noNaN: true }),
  y: fc.double({ min: 0, max: HEIGHT, noNaN: true }),
});

describe('a homography', () => {
  it('brings the corners of the cloth where they were marked, to a millionth of a unit', () => {
    fc.assert(
      fc.property(anyCorners, (corners) => {
        const onto = homographyOnto(corners, WIDTH, HEIGHT);
        const cloth: readonly Point[] = [
          { x: 0, y: 0 },
          { x: WIDTH, y: 0 },
          { x: WIDTH, y: HEIGHT },
          { x: 0, y: HEIGHT },
        ];
        cloth.forEach((point, n) => {
          const seen = project(onto, point);
          expect(seen.x).toBeCloseTo(corners[n]?.x ?? NaN, 6);
          expect(seen.y).toBeCloseTo(corners[n]?.y ?? NaN, 6);
        });
      }),
    );
  });

  it('is undone by its inverse', () => {
    fc.assert(
      fc.property(anyCorners, onCloth, (corners, point) => {
        const onto = homographyOnto(corners, WIDTH, HEIGHT);
        const back = project(invertHomography(onto), project(onto, point));
        expect(back.x).toBeCloseTo(point.x, 5);
        expect(back.y).toBeCloseTo(point.y, 5);
      }),
    );
  });

  it('keeps straight lines straight', () => {
    fc.assert(
      fc.property(anyCorners, onCloth, onCloth, (corners, p, q) => {
        fc.pre(Math.hypot(q.x - p.x, q.y - p.y) > 1);
        const onto = homographyOnto(corners, WIDTH, HEIGHT);
        const [a, b] = [project(onto, p), project(onto, q)];
        for (const share of [0.2, 0.5, 0.9]) {
          const seen = project(onto, { x: p.x + share * (q.x - p.x), y: p.y + share * (q.y - p.y) });
          const off = (b.x - a.x) * (seen.y - a.y) - (b.y - a.y) * (seen.x - a.x);
          expect(Math.abs(off) / Math.hypot(b.x - a.x, b.y - a.y)).toBeLessThan(1e-6);
        }
      }),
    );
  });

  it('of a face that is not seen at an angle scales evenly', () => {
    const corners: Corners = [
      { x: 10, y: 20 },
      { x: 40, y: 20 },
      { x: 40, y: 60 },
      { x: 10, y: 60 },
    ];
    expect(project(homographyOnto(corners, 15, 20), { x: 7.5, y: 5 })).toEqual({ x: 25, y: 30 });
  });

  it('is refused in a sentence where three corners lie in a line, or the sides cross', () => {
    const inLine: Corners = [
      { x: 0, y: 0 },
      { x: 50, y: 0 },
      { x: 100, y: 0 },
      { x: 40, y: 80 },
    ];
    const crossing: Corners = [
      { x: 0, y: 0 },
      { x: 100, y: 0 },
      { x: 0, y: 100 },
      { x: 100, y: 100 },
    ];
    expect(() => homographyOnto(inLine, 10, 10)).toThrow(/lie in a line/);
    expect(() => homographyOnto(crossing, 10, 10)).toThrow(/cross/);
  });
});
