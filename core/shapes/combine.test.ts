import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { tracePath, Pen } from '../motif/index.ts';
import { winding } from '../testing/winding.ts';
import { combinePaths } from './combine.ts';

/** Area by Green's theorem over the path cut into short chords, each loop by its own sign. */
function area(path: string): number {
  let sum = 0;
  let [x, y, x0, y0] = [0, 0, 0, 0];
  const to = (px: number, py: number): void => {
    sum += x * py - px * y;
    [x, y] = [px, py];
  };
  const along = (at: (t: number) => [number, number]): void => {
    for (let n = 1; n <= 64; n += 1) to(...at(n / 64));
  };
  tracePath(path, {
    moveTo: (px, py) => void ([x, y, x0, y0] = [px, py, px, py]),
    lineTo: to,
    quadraticCurveTo: (cx, cy, px, py) => {
      const [ax, ay] = [x, y];
      along((t) => [
        (1 - t) ** 2 * ax + 2 * (1 - t) * t * cx + t * t * px,
        (1 - t) ** 2 * ay + 2 * (1 - t) * t * cy + t * t * py,
      ]);
    },
    bezierCurveTo: (c1x, c1y, c2x, c2y, px, py) => {
      const [ax, ay] = [x, y];
      const at = (t: number, p0: number, p1: number, p2: number, p3: number): number =>
        (1 - t) ** 3 * p0 + 3 * (1 - t) ** 2 * t * p1 + 3 * (1 - t) * t * t * p2 + t ** 3 * p3;
      along((t) => [at(t, ax, c1x, c2x, px), at(t, ay, c1y, c2y, py)]);
    },
    closePath: () => to(x0, y0),
  });
  return Math.abs(sum) / 2;
}

describe('two outlines', () => {
  const square = (x: number, y: number, side: number): string =>
    new Pen()
      .move(x, y)
      .line(x + side, y)
      .line(x + side, y + side)
      .line(x, y + side)
      .close()
      .toString();

  it('are joined, cut, overlapped and told apart by exactly what each covers', () => {
    fc.assert(
      fc.property(
        fc.integer({ min: 1, max: 9 }),
        fc.integer({ min: -7, max: 11 }),
        fc.integer({ min: -7, max: 11 }),
        fc.integer({ min: 1, max: 9 }),
        (a, x, y, b) => {
          const [one, other] = [square(0, 0, a), square(x, y, b)];
          const covers = (path: string) => (u: number, v: number) => winding(path, u, v) !== 0;
          const [inOne, inOther] = [covers(one), covers(other)];
          const made = {
            join: covers(combinePaths(one, other, 'join')),
            cut: covers(combinePaths(one, other, 'cut')),
            overlap: covers(combinePaths(one, other, 'overlap')),
            exclude: covers(combinePaths(one, other, 'exclude')),
          };
          for (let u = -8.5; u < 22; u += 1) {
            for (let v = -8.5; v < 22; v += 1) {
              const [p, q] = [inOne(u, v), inOther(u, v)];
              expect({
                join: made.join(u, v),
                cut: made.cut(u, v),
                overlap: made.overlap(u, v),
                exclude: made.exclude(u, v),
              }).toEqual({ join: p || q, cut: p && !q, overlap: p && q, exclude: p !== q });
            }
          }
        },
      ),
      { numRuns: 30 },
    );
  });

  it('keep their curves', () => {
    const disc = new Pen().ellipse(0, 0, 10, 10).toString();
    const half = combinePaths(disc, square(0, -20, 40), 'cut');
    expect(half).toContain('C');
    expect(area(half)).toBeCloseTo(area(disc) / 2, 1);
  });

  it('of which one is nothing are the other, or nothing', () => {
    const one = square(0, 0, 5);
    expect(combinePaths('', one, 'join')).toBe(one);
    expect(combinePaths(one, '', 'cut')).toBe(one);
    expect(combinePaths('', one, 'cut')).toBe('');
    expect(combinePaths(one, '', 'overlap')).toBe('');
  });
});
