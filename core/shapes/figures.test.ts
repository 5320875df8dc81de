import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { rotationMatrix } from '../geometry/index.ts';
import { pathBounds, tracePath, transformPath } from '../motif/index.ts';
import { type Figure, measured } from './figure.ts';
import { FIGURES } from './figures.ts';
import { DRAWN } from '../testing/shapeFixtures.ts';

/** Any measures that a figure can have. */
function anyValues(figure: Figure): fc.Arbitrary<Record<string, number>> {
  return fc.record(
    Object.fromEntries(
      figure.measures.map(({ key, least, most, whole }) => [
        key,
        whole ? fc.integer({ min: least, max: most }) : fc.double({ min: least, max: most, noNaN: true }),
      ]),
    ),
  );
}

describe('the figures', () => {
  it('are whole paths whatever their measures', () => {
    for (const kind of DRAWN) {
      const figure = FIGURES[kind];
      fc.assert(
        fc.property(anyValues(figure), (values) => {
          const box = pathBounds(figure.outline(measured(figure, values)));
          expect(box, kind).toBeDefined();
          expect(Object.values(box ?? {}).every(Number.isFinite), kind).toBe(true);
        }),
        { numRuns: kind === 'leaf' ? 15 : 60 },
      );
    }
  });

  it('are as wide and as high as is asked', () => {
    const sized = ['dot', 'pebble', 'wave', 'drop', 'heart', 'cloud'] as const;
    for (const kind of sized) {
      const { left, right, top, bottom } = pathBounds(
        FIGURES[kind].outline(
          measured(FIGURES[kind], { width: 40, height: 30, rise: 20, band: 10, rough: 0, waist: 0 }),
        ),
      ) ?? { left: 0, right: 0, top: 0, bottom: 0 };
      // A smooth line through the corners of a stone bulges a little beyond them.
      expect(right - left, kind).toBeCloseTo(40, kind === 'pebble' ? -0.5 : 4);
      expect(bottom - top, kind).toBeCloseTo(30, kind === 'pebble' ? -0.5 : 4);
    }
  });

  it('are the same for the same seed, and other for another', () => {
    const outline = (seed: number): string => FIGURES.pebble.outline(measured(FIGURES.pebble, { seed }));
    expect(outline(5)).toBe(outline(5));
    expect(outline(5)).not.toBe(outline(6));
  });

  it('of petals and stars look alike after a turn by one of them', () => {
    for (const [kind, key, n] of [
      ['petals', 'count', 7],
      ['star', 'points', 5],
      ['polygon', 'sides', 6],
    ] as const) {
      const path = FIGURES[kind].outline(measured(FIGURES[kind], { [key]: n, eye: 0 }));
      const points = (text: string): string[] => {
        const found: string[] = [];
        const add = (x: number, y: number): void => void found.push(`${Math.round(x * 1e4)},${Math.round(y * 1e4)}`);
        tracePath(text, {
          moveTo: add,
          lineTo: add,
          quadraticCurveTo: (_a, _b, x, y) => add(x, y),
          bezierCurveTo: (_a, _b, _c, _d, x, y) => add(x, y),
          closePath: () => undefined,
        });
        return [...new Set(found)].sort();
      };
      const close = (a: string, b: string): boolean =>
        a.split(',').every((v, i) => Math.abs(Number(v) - Number(b.split(',')[i])) <= 1);
      const turned = points(transformPath(path, rotationMatrix(360 / n)));
      for (const point of points(path))
        expect(
          turned.some((other) => close(point, other)),
          `${kind} ${point}`,
        ).toBe(true);
    }
  });

  it('keep their measures within what is possible', () => {
    expect(measured(FIGURES.polygon, { width: 1e9, sides: 2.2, round: -5 })).toEqual({
      width: 400,
      sides: 3,
      round: 0,
    });
  });
});
