import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { apply, type Design, inverse, newDesign, openDesign, shapeMatrix } from '../document/index.ts';
import { transform } from '../geometry/index.ts';
import { type Lattice, latticeOf, nearestDifference, placesByMotif, SQUARE, step } from '../lattice/index.ts';
import { type Motif, naturalHeight } from '../motif/index.ts';
import type { GridRecipe, RowRecipe } from '../recipe/index.ts';
import { anyStep, LEAF_RECORD, leafAt } from '../testing/arbitraries.ts';
import { applyLayout, LayoutError } from './applyLayout.ts';
import { anglesOf, layGrid, nearestAngle } from './layGrid.ts';
import { layRows } from './layRow.ts';
import { rowOffers } from './rowOffers.ts';
import { superlatticesOf } from './superlattice.ts';

const motifOf = (id: string, width: number, height: number): Motif => ({
  ...LEAF_RECORD,
  id,
  width,
  view: { x: 0, y: 0, width: width * 2, height: height * 2 },
});
const MOTIFS = new Map(
  [motifOf('tall', 20, 50), motifOf('wide', 60, 15), motifOf('square', 30, 30)].map((motif) => [motif.id, motif]),
);
const anyRow = fc.array(fc.constantFrom(...MOTIFS.keys()), { minLength: 1, maxLength: 6 });
const anyRecipe: fc.Arbitrary<RowRecipe> = fc.record({
  kind: fc.constant('row' as const),
  rows: fc.array(anyRow, { minLength: 1, maxLength: 4 }),
  equal: fc.constantFrom('width' as const, 'height' as const, 'area' as const),
  size: fc.double({ min: 10, max: 80, noNaN: true }),
  gap: fc.double({ min: 0, max: 30, noNaN: true }),
  rowGap: fc.double({ min: 0, max: 30, noNaN: true }),
});
/** No step with reflections: nothing closes there. */
const anyPlainStep = anyStep.filter(({ mirrored, rotated }) => mirrored === undefined && rotated === undefined);
const anyCell = fc.record({
  width: fc.double({ min: 60, max: 300, noNaN: true }),
  height: fc.double({ min: 60, max: 300, noNaN: true }),
  step: anyPlainStep,
});

const sizeOf = ({ motif, scale }: { motif: string; scale: number }): { width: number; height: number } => {
  const one = MOTIFS.get(motif) as Motif;
  return { width: one.width * scale, height: naturalHeight(one) * scale };
};
const isWhole = (n: number): boolean => Math.abs(n - Math.round(n)) < 1e-6;

describe('rows', () => {
  it('have equal gaps, over the join too, and a cell of exactly the widest row and its gaps', () => {
    fc.assert(
      fc.property(anyRecipe, (recipe) => {
        const laid = layRows(recipe, MOTIFS);
        if (!laid) throw new Error('the motifs are known');
        let at = 0;
        let top = recipe.rowGap / 2;
        const needed: number[] = [];
        for (const row of recipe.rows) {
          const placed = laid.placed.slice(at, at + row.length);
          at += row.length;
          expect(placed.map(({ motif }) => motif)).toEqual(row);
          const edges = placed.map((one) => ({
            left: one.x - sizeOf(one).width / 2,
            right: one.x + sizeOf(one).width / 2,
          }));
          const gaps = edges.map(({ right }, n) => (edges[n + 1]?.left ?? (edges[0]?.left ?? 0) + laid.width) - right);
          for (const gap of gaps) expect(gap).toBeCloseTo(gaps[0] as number, 9);
          expect(gaps[0]).toBeGreaterThanOrEqual(recipe.gap - 1e-9);
          needed.push(placed.reduce((sum, one) => sum + sizeOf(one).width + recipe.gap, 0));
          const high = Math.max(...placed.map((one) => sizeOf(one).height));
          for (const one of placed) expect(one.y).toBeCloseTo(top + high / 2, 9);
          top += high + recipe.rowGap;
          for (const one of placed) {
            const { width, height } = sizeOf(one);
            expect(
              recipe.equal === 'width' ? width : recipe.equal === 'height' ? height : Math.sqrt(width * height),
            ).toBeCloseTo(recipe.size, 9);
          }
        }
        expect(laid.width).toBeCloseTo(Math.max(...needed), 9);
        expect(laid.height).toBeCloseTo(top - recipe.rowGap / 2, 9);
      }),
    );
  });

  /** A row of motifs by name, 40 mm a room and as high, and what each shift does to it. */
  const offersOf = (names: readonly string[]) => {
    const places = placesByMotif(names.map((motif, n) => ({ motif, x: 40 * n + 20, y: 20 })));
    return rowOffers({ width: 40 * names.length, height: 40, step: step('brick') }, names.length, places);
  };
  const fallsOf = (names: readonly string[]) =>
    Object.fromEntries(offersOf(names).map(({ p, q, fall }) => [`${p}/${q}`, fall]));

  it('shift best by a half where there are two, by a third where there are three, and say what other fractions do', () => {
    expect(offersOf(['a', 'b'])[0]).toMatchObject({ p: 1, q: 2, fall: 'apart' });
    expect(offersOf(['a', 'b', 'c']).slice(0, 2)).toMatchObject([
      { p: 1, q: 3, fall: 'apart' },
      { p: 2, q: 3, fall: 'apart' },
    ]);
    expect(fallsOf(['a', 'b', 'c'])).toMatchObject({
      '1/2': 'zigzag',
      '1/4': 'aslant',
      '2/5': 'aslant',
      '1/6': 'above',
      '5/6': 'above',
    });
    expect(offersOf(['a', 'b', 'c', 'd', 'e'])[0]).toMatchObject({ p: 2, q: 5, fall: 'apart' });
    expect(fallsOf(['a', 'b', 'c', 'd', 'e'])).toMatchObject({ '1/5': 'beside', '4/5': 'beside', '1/2': 'zigzag' });
    // Sevenths are offered where there are seven.
    expect(offersOf([...'abcdefg'])[0]).toMatchObject({ q: 7, fall: 'apart' });
  });

  it('go by which motifs are equal: a row of pairs stacks by a half, one of a single motif has none to change places with', () => {
    expect(fallsOf(['a', 'b', 'a', 'b'])).toMatchObject({ '1/2': 'above', '1/4': 'apart' });
    expect(fallsOf(['a'])).toMatchObject({ '1/2': 'apart', '1/6': 'above' });
    expect(offersOf(['a'])[0]).toMatchObject({ p: 1, q: 2 });
    expect(fallsOf(['a', 'a'])).toMatchObject({ '1/4': 'apart', '1/2': 'above' });
  });

  it('tell the true distance between equal motifs, whatever the row', () => {
    fc.assert(
      fc.property(fc.array(fc.constantFrom('a', 'b', 'c', 'd'), { minLength: 1, maxLength: 7 }), (names) => {
        for (const { p, q, apart, fall } of offersOf(names)) {
          let [least, aside] = [Infinity, Infinity];
          for (let row = 0; row <= 2; row += 1) {
            for (let m = 0; m < names.length; m += 1) {
              for (let n = 0; n < names.length; n += 1) {
                for (let k = -3; k <= 3; k += 1) {
                  if (names[m] !== names[n] || (row === 0 && k === 0)) continue;
                  const x = 40 * (m - n) + 40 * names.length * (k + (row * p) / q);
                  least = Math.min(least, Math.hypot(x, 40 * row));
                  if (row === 1) aside = Math.min(aside, Math.abs(x) / 40);
                }
              }
            }
          }
          expect(apart).toBeCloseTo(least, 9);
          if (fall === 'above') expect(aside).toBeLessThan(0.6);
          if (fall === 'beside') expect(aside).toBeLessThan(1.25);
        }
      }),
    );
  });
});

/** Whether a point is reached by whole steps of a grid. */
function isOn(
  { u, v }: { u: { x: number; y: number }; v: { x: number; y: number } },
  { x, y }: { x: number; y: number },
): boolean {
  const det = u.x * v.y - u.y * v.x;
  return isWhole((x * v.y - y * v.x) / det) && isWhole((u.x * y - u.y * x) / det);
}

const shapeOf = (lattice: Lattice, recipe: GridRecipe) => layGrid(lattice, recipe, MOTIFS.get(recipe.motif) as Motif);

describe('grids', () => {
  it('close on the lattice, whatever it is: its own vectors are whole steps of theirs', () => {
    fc.assert(
      fc.property(anyCell, fc.integer({ min: 1, max: 60 }), (repeat, count) => {
        const lattice = latticeOf(repeat);
        const grids = superlatticesOf(lattice, count);
        expect(grids.length).toBeGreaterThan(0);
        for (const grid of grids) {
          expect(isOn(grid, lattice.a) && isOn(grid, lattice.b)).toBe(true);
          expect((grid.u.x * grid.v.y - grid.u.y * grid.v.x) * count).toBeCloseTo(repeat.width * repeat.height, 4);
        }
      }),
    );
  });

  it('have as many points to the cell as were asked for, none twice and all equally far apart', () => {
    fc.assert(
      fc.property(
        anyCell,
        fc.integer({ min: 1, max: 40 }),
        fc.double({ min: -180, max: 180, noNaN: true }),
        fc.constantFrom('dots' as const, 'checks' as const, 'ogees' as const),
        (repeat, count, angle, figure) => {
          const lattice = latticeOf(repeat);
          const placed = shapeOf(lattice, {
            kind: 'grid',
            figure,
            motif: 'square',
            fitted: true,
            count,
            angle,
            size: 1,
          });
          expect(placed).toHaveLength(count);
          const [first, ...rest] = placed;
          for (const one of rest) {
            const by = nearestDifference(lattice, one, first ?? one);
            expect(Math.hypot(by.x, by.y)).toBeGreaterThan(1e-6);
          }
          const angles = anglesOf(lattice, { figure, count });
          expect(angles).toContain(nearestAngle(angles, angle, { figure }));
          // Checks that touch cover half of the cloth, ogees' boxes twice as much as there is.
          const [a, b, c, d] = shapeMatrix(first as never, MOTIFS.get('square') as Motif);
          const area = Math.abs(a * d - b * c) * 60 * 60 * count;
          if (figure !== 'dots')
            expect(area / (repeat.width * repeat.height)).toBeCloseTo(figure === 'checks' ? 0.5 : 2, 6);
        },
      ),
    );
  });

  it('lay checks corner to corner', () => {
    const lattice = latticeOf({ width: 80, height: 80, step: SQUARE });
    const placed = shapeOf(lattice, {
      kind: 'grid',
      figure: 'checks',
      motif: 'square',
      fitted: true,
      count: 8,
      angle: 0,
      size: 1,
    });
    // Eight squares of 20 mm: a chessboard of four by four.
    for (const one of placed)
      expect(one).toMatchObject({
        scale: expect.closeTo(20 / 30, 9) as number,
        aspect: expect.closeTo(1, 9) as number,
        skew: expect.closeTo(0, 9) as number,
      });
    const upright = placed.map(({ rotation }) => Math.abs(rotation % 90));
    expect(Math.max(...upright.map((turn) => Math.min(turn, 90 - turn)))).toBeCloseTo(0, 6);
    for (const one of placed) {
      const near = placed.filter((other) => {
        const by = nearestDifference(lattice, other, one);
        return Math.abs(Math.abs(by.x) - 20) < 1e-6 && Math.abs(Math.abs(by.y) - 20) < 1e-6;
      });
      expect(near.length).toBeGreaterThan(0);
    }
  });

  it('lay stripes along lattice vectors, evenly apart, a little over their own ends', () => {
    fc.assert(
      fc.property(
        anyCell,
        fc.integer({ min: 1, max: 12 }),
        fc.double({ min: -90, max: 90, noNaN: true }),
        (repeat, count, angle) => {
          const lattice = latticeOf(repeat);
          const placed = shapeOf(lattice, {
            kind: 'grid',
            figure: 'stripes',
            motif: 'wide',
            fitted: true,
            count,
            angle,
            size: 0.5,
          });
          expect(placed).toHaveLength(count);
          const motif = MOTIFS.get('wide') as Motif;
          for (const one of placed) {
            const radians = (one.rotation * Math.PI) / 180;
            const length = motif.width * one.scale - 1;
            // Its own length on, the cloth is the same again.
            const by = nearestDifference(
              lattice,
              { x: length * Math.cos(radians), y: length * Math.sin(radians) },
              { x: 0, y: 0 },
            );
            expect(Math.hypot(by.x, by.y)).toBeLessThan(1e-5);
            // Half of the cloth is striped.
            expect(
              (length * naturalHeight(motif) * one.scale * one.aspect * count) / (repeat.width * repeat.height),
            ).toBeCloseTo(0.5, 6);
          }
        },
      ),
    );
  });

  it('offer only angles that close, such as those of 3, 4, 5 for twenty-five dots', () => {
    const lattice = latticeOf({ width: 100, height: 100, step: SQUARE });
    const angles = anglesOf(lattice, { figure: 'dots', count: 25 });
    expect(angles.some((angle) => Math.abs(angle - (Math.atan2(3, 4) * 180) / Math.PI) < 1e-6)).toBe(true);
    expect(nearestAngle(angles, 37, { figure: 'dots' })).toBeCloseTo(36.8699, 3);
    expect(nearestAngle(anglesOf(lattice, { figure: 'stripes', count: 3 }), 44, { figure: 'stripes' })).toBeCloseTo(
      45,
      6,
    );
  });

  it('keep a motif’s proportions that is not made to fill', () => {
    const [dot] = shapeOf(latticeOf({ width: 80, height: 80, step: SQUARE }), {
      kind: 'grid',
      figure: 'dots',
      motif: 'tall',
      fitted: false,
      count: 4,
      angle: 0,
      size: 0.5,
    });
    expect(dot).toMatchObject({ scale: 20 / 50, aspect: 1, skew: 0, rotation: 0 });
    const row = shapeOf(latticeOf({ width: 80, height: 80, step: SQUARE }), {
      kind: 'grid',
      figure: 'stripes',
      motif: 'wide',
      fitted: false,
      count: 2,
      angle: 0,
      size: 0.5,
    });
    // 20 mm high and 80 mm wide, one to a stripe.
    expect(row).toHaveLength(2);
    expect(
      transform(shapeMatrix({ ...leafAt('a', {}), ...(row[0] as object) }, MOTIFS.get('wide') as Motif), {
        x: 120,
        y: 0,
      }).x,
    ).toBeCloseTo(40, 6);
  });
});

describe('a layout on the cloth', () => {
  let n = 0;
  const newId = (): string => `new${(n += 1)}`;
  const start: Design = {
    ...newDesign('d', 'Rows', { width: 100, height: 100, step: step('brick') }),
    placements: [leafAt('hand', { x: 5 })],
  };
  const recipe: RowRecipe = {
    kind: 'row',
    rows: [['tall', 'wide', 'square']],
    equal: 'height',
    size: 40,
    gap: 10,
    rowGap: 8,
  };

  it('is laid, follows its recipe, keeps ids and what was laid by hand, and is undone to the bit', () => {
    const first = applyLayout(start, MOTIFS, recipe, 'main', newId);
    const once = apply(start, first);
    expect(once.repeat).toMatchObject({ width: 16 + 160 + 40 + 30, height: 48, step: start.repeat.step });
    expect(once.placements[0]?.id).toBe('hand');
    expect(apply(once, inverse(start, first))).toEqual(start);
    const again = applyLayout(once, MOTIFS, { ...recipe, rows: [['square', 'tall']], gap: 4 }, 'main', newId);
    const twice = apply(once, again);
    expect(twice.placements.slice(1).map(({ id, motif }) => [id, motif])).toEqual([
      [once.placements[1]?.id, 'square'],
      [once.placements[2]?.id, 'tall'],
    ]);
    expect(twice.repeat.width).toBeCloseTo(40 + 16 + 8, 9);
    expect(apply(twice, inverse(once, again))).toEqual(once);
    expect(openDesign(JSON.parse(JSON.stringify(twice)))).toEqual(twice);
    const grid = apply(
      twice,
      applyLayout(
        twice,
        MOTIFS,
        { kind: 'grid', figure: 'dots', motif: 'square', fitted: true, count: 4, angle: 0, size: 0.5 },
        'main',
        newId,
      ),
    );
    expect(grid.repeat).toEqual(twice.repeat);
    expect(grid.placements).toHaveLength(5);
  });

  it('says why it cannot be, and changes nothing', () => {
    expect(() => applyLayout(start, MOTIFS, { ...recipe, rows: [['gone']] }, 'main', newId)).toThrow(LayoutError);
    expect(() => applyLayout(start, MOTIFS, { ...recipe, size: 4000 }, 'main', newId)).toThrow(/cells are/);
    const mirrored: Design = { ...start, repeat: { ...start.repeat, step: { ...SQUARE, mirrored: 'both' } } };
    expect(() =>
      applyLayout(
        mirrored,
        MOTIFS,
        { kind: 'grid', figure: 'checks', motif: 'square', fitted: true, count: 4, angle: 0, size: 0.5 },
        'main',
        newId,
      ),
    ).toThrow(/mirrored/);
  });
});
