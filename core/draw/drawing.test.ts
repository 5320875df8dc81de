import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { boxAround, compose, IDENTITY, rotationMatrix, transform, translationMatrix } from '../geometry/index.ts';
import { latticeOf, latticeTranslate, SQUARE, step } from '../lattice/index.ts';
import { outlinesOf } from './strokeBox.ts';
import { drawnBy } from './drawingSymmetry.ts';
import { drawnStroke, filledArea, movedStroke, strokeTouches } from './drawnStroke.ts';
import { groupStrokes } from './groupStrokes.ts';
import { instancesIn } from './instancesIn.ts';
import { decodePoints } from './penPoint.ts';
import { BRUSH, real, straight } from './testing/hands.ts';

describe('a stroke', () => {
  it('is touched where the brush went, and moved as a whole', () => {
    const points = [
      { x: 0, y: 0, time: 0, pressure: 1 },
      { x: 40, y: 0, time: 9, pressure: 1 },
    ];
    const stroke = drawnStroke(BRUSH, points, 1);
    expect(strokeTouches(stroke, { x: 20, y: 2.9 }, 0)).toBe(true);
    expect(strokeTouches(stroke, { x: 20, y: 3.2 }, 0)).toBe(false);
    expect(strokeTouches(stroke, { x: 20, y: 3.2 }, 0.5)).toBe(true);
    expect(strokeTouches(stroke, { x: 44, y: 0 }, 0)).toBe(false);
    const moved = movedStroke(stroke, compose(translationMatrix(5, 7), rotationMatrix(90)));
    expect(decodePoints(moved.points).map(({ x, y }) => [x, y])).toEqual([
      [5, 7],
      [5, 47],
    ]);
  });
});

describe('what goes along with a stroke', () => {
  it('is as many as it is turned, and turned once more it is the same again', () => {
    fc.assert(
      fc.property(
        fc.integer({ min: 2, max: 24 }),
        fc.boolean(),
        real(-50, 50),
        real(-50, 50),
        (count, mirrored, x, y) => {
          const at = { x: 7, y: -3 };
          const copies = drawnBy({ kind: 'turn', at, count, mirrored });
          expect(copies).toHaveLength(mirrored ? 2 * count : count);
          const places = copies.map((copy) => transform(copy, { x, y }));
          // As far from the centre as the first; and the turn by one of them takes each to another.
          for (const place of places)
            expect(Math.hypot(place.x - at.x, place.y - at.y)).toBeCloseTo(Math.hypot(x - at.x, y - at.y), 8);
          const by = compose(
            translationMatrix(at.x, at.y),
            compose(rotationMatrix(360 / count), translationMatrix(-at.x, -at.y)),
          );
          for (const place of places) {
            const turned = transform(by, place);
            expect(Math.min(...places.map((other) => Math.hypot(other.x - turned.x, other.y - turned.y)))).toBeLessThan(
              1e-8,
            );
          }
        },
      ),
      { numRuns: 40 },
    );
  });

  it('is a reflection that undoes itself and leaves the axis where it is', () => {
    fc.assert(
      fc.property(real(-180, 180), real(-50, 50), real(-50, 50), (angle, x, y) => {
        const at = { x: 11, y: 5 };
        const [, reflected] = drawnBy({ kind: 'mirror', at, angle });
        const twice = reflected && transform(reflected, transform(reflected, { x, y }));
        expect(twice?.x).toBeCloseTo(x, 8);
        expect(twice?.y).toBeCloseTo(y, 8);
        const turn = (angle * Math.PI) / 180;
        const onAxis = { x: at.x + 9 * Math.sin(turn), y: at.y - 9 * Math.cos(turn) };
        const stays = reflected && transform(reflected, onAxis);
        expect(stays?.x).toBeCloseTo(onAxis.x, 8);
        expect(stays?.y).toBeCloseTo(onAxis.y, 8);
      }),
    );
    expect(drawnBy({ kind: 'none' })).toEqual([IDENTITY]);
  });
});

describe('a filled area', () => {
  it('leaves its holes out, is touched within, and moves as a whole', () => {
    const square = (half: number) => [
      { x: -half, y: -half },
      { x: half, y: -half },
      { x: half, y: half },
      { x: -half, y: half },
    ];
    const area = filledArea(BRUSH, [square(20), square(8)], 0.01);
    expect(strokeTouches(area, { x: 14, y: 0 }, 0)).toBe(true);
    expect(strokeTouches(area, { x: 0, y: 0 }, 0)).toBe(false);
    expect(strokeTouches(area, { x: 30, y: 0 }, 0)).toBe(false);
    const moved = outlinesOf(movedStroke(area, translationMatrix(100, 0)));
    expect(moved).toHaveLength(2);
    expect(boxAround(moved.flat()).left).toBeCloseTo(80, 2);
  });
});

describe('strokes that are done', () => {
  it('belong together by colour and nearness, whatever lies between', () => {
    const a = straight({ x: 0, y: 0 }, { x: 20, y: 0 });
    const near = straight({ x: 24, y: 2 }, { x: 40, y: 2 });
    const far = straight({ x: 80, y: 0 }, { x: 90, y: 0 });
    const other = { ...straight({ x: 10, y: 3 }, { x: 30, y: 3 }), ink: '#b5442f' as const };
    expect(groupStrokes([a, other, near, far], 4)).toEqual([[a, near], [other], [far]]);
    const rubber = straight({ x: 12, y: -10 }, { x: 12, y: 10 }, 4, 'rubber');
    expect(groupStrokes([a, other, rubber], 4)).toEqual([[a, other, rubber]]);
    expect(groupStrokes([rubber], 4)).toEqual([]);
  });
});

describe('where a drawing is seen', () => {
  it('is by every operation and translation of the lattice that touches the window, and no other', () => {
    const repeats = [
      { width: 120, height: 90, step: SQUARE },
      { width: 120, height: 90, step: step('half-drop', 1, 2) },
      { width: 120, height: 90, step: { ...SQUARE, mirrored: 'both' as const } },
    ];
    for (const repeat of repeats) {
      const lattice = latticeOf(repeat);
      const box = { left: 100, top: 30, right: 140, bottom: 60 };
      const window = { left: -50, top: -40, right: 400, bottom: 300 };
      const seen = instancesIn(lattice, IDENTITY, box, window);
      // By trying all that could be.
      let count = 0;
      for (const { matrix } of lattice.ops)
        for (let i = -9; i <= 9; i += 1)
          for (let j = -9; j <= 9; j += 1) {
            const by = latticeTranslate(lattice, { i, j });
            const [p, q] = [transform(matrix, { x: 100, y: 30 }), transform(matrix, { x: 140, y: 60 })];
            const [left, right] = [Math.min(p.x, q.x) + by.x, Math.max(p.x, q.x) + by.x];
            const [top, bottom] = [Math.min(p.y, q.y) + by.y, Math.max(p.y, q.y) + by.y];
            if (left < window.right && right > window.left && top < window.bottom && bottom > window.top) count += 1;
          }
      expect(seen).toHaveLength(count);
    }
  });
});
