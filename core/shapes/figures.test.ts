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

type Corner = Readonly<Record<'x' | 'y', number>>;

/** The curves of a path, each with its ends and its handles. */
function cubics(path: string): [Corner, Corner, Corner, Corner][] {
  const curves: [Corner, Corner, Corner, Corner][] = [];
  let from: Corner = { x: 0, y: 0 };
  const move = (x: number, y: number): void => void (from = { x, y });
  tracePath(path, {
    moveTo: move,
    lineTo: move,
    quadraticCurveTo: (_a, _b, x, y) => move(x, y),
    bezierCurveTo: (a, b, c, d, x, y) => {
      curves.push([from, { x: a, y: b }, { x: c, y: d }, { x, y }]);
      move(x, y);
    },
    closePath: () => undefined,
  });
  return curves;
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

  it('of polygons and stars bow their sides out and in as arcs of circles', () => {
    fc.assert(
      fc.property(
        fc.constantFrom('polygon', 'star'),
        fc.integer({ min: 3, max: 24 }),
        fc.integer({ min: -100, max: 100 }).filter((bulge) => bulge !== 0),
        (kind, n, bulge) => {
          const values = measured(FIGURES[kind], { [kind === 'star' ? 'points' : 'sides']: n, bulge });
          const sides = cubics(FIGURES[kind].outline(values));
          expect(sides).toHaveLength(kind === 'star' ? 2 * n : n);
          const b = bulge / 100;
          for (const [p, c, d, q] of sides) {
            const side = Math.hypot(q.x - p.x, q.y - p.y);
            const out = { x: (q.y - p.y) / side, y: (p.x - q.x) / side };
            // Through both corners and a point b halves of the side above its middle.
            const rise = (b * side) / 2;
            const radius = ((side / 2) ** 2 + rise ** 2) / (2 * rise);
            const centre = {
              x: (p.x + q.x) / 2 + out.x * (rise - radius),
              y: (p.y + q.y) / 2 + out.y * (rise - radius),
            };
            for (let t = 0; t <= 1; t += 1 / 16) {
              const along = (a1: number, a2: number, a3: number, a4: number): number =>
                a1 * (1 - t) ** 3 + 3 * a2 * t * (1 - t) ** 2 + 3 * a3 * t ** 2 * (1 - t) + a4 * t ** 3;
              const at = { x: along(p.x, c.x, d.x, q.x), y: along(p.y, c.y, d.y, q.y) };
              const off = Math.hypot(at.x - centre.x, at.y - centre.y) - Math.abs(radius);
              // A cubic curve is off a half circle by 0.02 of its radius at the most.
              expect(Math.abs(off)).toBeLessThan(0.02 * Math.abs(radius));
            }
          }
        },
      ),
    );
  });

  it('keep their measures within what is possible', () => {
    expect(measured(FIGURES.polygon, { width: 1e9, sides: 2.2, round: -5 })).toEqual({
      width: 400,
      sides: 3,
      round: 0,
      bulge: 0,
    });
  });
});
