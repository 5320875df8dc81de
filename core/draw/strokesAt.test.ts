import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { IDENTITY, rotationMatrix, transform, translationMatrix, compose } from '../geometry/index.ts';
import { latticeOf, latticeTranslate } from '../lattice/index.ts';
import { anyRepeat } from '../testing/arbitraries.ts';
import { filledArea, movedStroke } from './drawnStroke.ts';
import { strokePaint } from './strokePaint.ts';
import { strokesAt } from './strokesAt.ts';
import { BRUSH, real, straight } from './testing/hands.ts';

const square = [
  { x: -8, y: -8 },
  { x: 8, y: -8 },
  { x: 8, y: 8 },
  { x: -8, y: 8 },
];
const area = filledArea(BRUSH, [square], 0.05);

describe('the strokes at a place', () => {
  it('are found in every instance of a drawing, wherever it lies and however it is turned', () => {
    fc.assert(
      fc.property(
        anyRepeat,
        real(-200, 200),
        real(-200, 200),
        real(0, 360),
        fc.integer({ min: -2, max: 2 }),
        fc.integer({ min: -2, max: 2 }),
        (repeat, x, y, turn, i, j) => {
          const lattice = latticeOf(repeat);
          const frame = compose(translationMatrix(x, y), rotationMatrix(turn));
          const by = latticeTranslate(lattice, { i, j });
          const inside = { x: 3, y: -5 };
          for (const { matrix } of lattice.ops) {
            const seen = transform(compose(translationMatrix(by.x, by.y), compose(matrix, frame)), inside);
            const found = [...strokesAt(lattice, [area], frame, seen, 0)];
            expect(found.length).toBeGreaterThan(0);
            for (const each of found) expect(each.stroke).toBe(area);
          }
        },
      ),
      { numRuns: 40 },
    );
  });

  it('come from the top down, and a rubber is none', () => {
    const lattice = latticeOf({ width: 100, height: 80, step: { kind: 'square', drop: { p: 0, q: 1 } } });
    const line = straight({ x: -20, y: 0 }, { x: 20, y: 0 });
    const rubber = straight({ x: 0, y: -20 }, { x: 0, y: 20 }, 4, 'rubber');
    const found = [...strokesAt(lattice, [area, line, rubber], IDENTITY, { x: 0, y: 0 }, 0)];
    expect(found.map(({ stroke }) => stroke)).toEqual([line, area]);
    expect([...strokesAt(lattice, [area, line], IDENTITY, { x: 0, y: 30 }, 0)]).toEqual([]);
    expect([...strokesAt(lattice, [area], IDENTITY, { x: 0, y: 10 }, 3)]).toHaveLength(1);
  });
});

describe('a shading', () => {
  const shading = { kind: 'linear', ink: '#ffffff', opacity: 0.5, from: { x: -8, y: 0 }, to: { x: 8, y: 2 } } as const;

  it('goes with its stroke, however that is moved', () => {
    const matrix = compose(translationMatrix(5, -3), rotationMatrix(30));
    const moved = movedStroke({ ...area, shading }, matrix);
    expect(moved.shading).toEqual({
      ...shading,
      from: transform(matrix, shading.from),
      to: transform(matrix, shading.to),
    });
    expect(movedStroke(area, matrix).shading).toBeUndefined();
  });

  it('is a gradient from the ink to the other, as far covered as the stroke, and even where its handles meet', () => {
    const stops = [
      { offset: 0, ink: BRUSH.ink, opacity: 0.8 },
      { offset: 1, ink: '#ffffff', opacity: 0.4 },
    ];
    expect(strokePaint({ shading, opacity: 0.8 }, BRUSH.ink)).toMatchObject({
      kind: 'linear',
      from: [-8, 0],
      to: [8, 2],
      stops,
    });
    const radial = strokePaint({ shading: { ...shading, kind: 'radial' }, opacity: 0.8 }, BRUSH.ink);
    expect(radial).toMatchObject({ kind: 'radial', centre: [-8, 0], radius: Math.hypot(16, 2), stops });
    const met = strokePaint({ shading: { ...shading, to: shading.from }, opacity: 0.8 }, BRUSH.ink);
    expect(met).toEqual({ kind: 'ink', ink: BRUSH.ink, opacity: 0.8 });
  });
});
