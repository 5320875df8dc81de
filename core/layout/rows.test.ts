import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { placesByMotif, step } from '../lattice/index.ts';
import { type Motif, naturalHeight } from '../motif/index.ts';
import type { RowRecipe } from '../recipe/index.ts';
import { layRows } from './layRow.ts';
import { rowOffers } from './rowOffers.ts';
import { MOTIFS } from '../testing/layoutFixtures.ts';

const anyRow = fc.array(fc.constantFrom(...MOTIFS.keys()), { minLength: 1, maxLength: 6 });

const anyRecipe: fc.Arbitrary<RowRecipe> = fc.record({
  kind: fc.constant('row' as const),
  rows: fc.array(anyRow, { minLength: 1, maxLength: 4 }),
  equal: fc.constantFrom('width' as const, 'height' as const, 'area' as const),
  size: fc.double({ min: 10, max: 80, noNaN: true }),
  gap: fc.double({ min: 0, max: 30, noNaN: true }),
  rowGap: fc.double({ min: 0, max: 30, noNaN: true }),
});

const sizeOf = ({ motif, scale }: { motif: string; scale: number }): { width: number; height: number } => {
  const one = MOTIFS.get(motif) as Motif;
  return { width: one.width * scale, height: naturalHeight(one) * scale };
};

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
