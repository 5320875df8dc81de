import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { fitCell } from '../arrange/index.ts';
import { apply, boxAroundCentre, inverse, newDesign } from '../document/index.ts';
import { anyDesign, anyRepeat, LEAF_RECORD, leafAt } from '../testing/arbitraries.ts';
import { fractionOffers, placesByMotif } from './fractions.ts';
import { SQUARE, step } from './step.ts';

const LEAVES = new Map([['leaf', LEAF_RECORD]]);

describe('the fractions of a step', () => {
  it('for a row of three in a brick are those that keep each farthest from its like', () => {
    // Three motifs, each once: 120 mm to the next of its kind along the row, rows 60 mm apart.
    const repeat = { width: 120, height: 60, step: step('brick', 1, 2) };
    const offers = fractionOffers(
      repeat,
      new Map([
        ['a', [{ x: 20, y: 30 }]],
        ['b', [{ x: 60, y: 30 }]],
        ['c', [{ x: 100, y: 30 }]],
      ]),
    );
    expect(offers[0]).toMatchObject({ p: 1, q: 2 });
    expect(offers[0]?.apart).toBeCloseTo(Math.hypot(60, 60), 9);
    // By a sixth its like lies almost straight below.
    expect(offers.at(-1)?.q).toBe(6);
    expect(offers.at(-1)?.apart).toBeCloseTo(Math.hypot(20, 60), 9);
  });

  it('for the same motif three times in the row show which set it above itself', () => {
    const repeat = { width: 120, height: 60, step: step('brick', 1, 2) };
    const offers = fractionOffers(repeat, new Map([['a', [20, 60, 100].map((x) => ({ x, y: 30 }))]]));
    // By a third every row is the same again; by a half each lies between two.
    expect(offers.find(({ p, q }) => p === 1 && q === 3)?.apart).toBeCloseTo(40, 9);
    expect(offers.every(({ apart }) => apart <= 60 + 1e-9)).toBe(true);
  });

  it('are ordered by how far apart they keep what is alike, and a square step has none', () => {
    fc.assert(
      fc.property(anyDesign(anyRepeat, 6), ({ repeat, placements }) => {
        const offers = fractionOffers({ ...repeat, step: step('half-drop') }, placesByMotif(placements));
        offers.slice(1).forEach(({ apart }, n) => expect(apart).toBeLessThanOrEqual((offers[n]?.apart ?? 0) + 0.5));
        expect(offers).toHaveLength(11);
        expect(fractionOffers({ ...repeat, step: SQUARE }, placesByMotif(placements))).toEqual([]);
      }),
    );
  });
});

describe('fitting the cell', () => {
  it('makes it the row and one gap, exactly, and keeps everything else', () => {
    const row = [0, 1, 2].map((n) => leafAt(`p${n}`, { x: 20 + 40 * n, y: 30 }));
    const design = {
      ...newDesign('d', 'Row', { width: 400, height: 300, step: step('brick', 1, 3) }),
      placements: row,
    };
    const command = fitCell(design, LEAVES, 10);
    if (!command) throw new Error('it did not fit');
    const after = apply(design, command);
    // 30 mm wide each, 10 mm between two: three of each.
    expect(after.repeat.width).toBeCloseTo(120, 9);
    expect(after.repeat.height).toBeCloseTo(46.5 + 10, 9);
    expect(after.repeat.step).toEqual(design.repeat.step);
    after.placements.forEach(({ x, y }, n) => {
      expect(x).toBeCloseTo(20 + 40 * n, 9);
      expect(y).toBeCloseTo(after.repeat.height / 2, 9);
    });
    expect(apply(after, inverse(design, command))).toEqual(design);
  });

  it('leaves half a gap all round, wherever it lay, and does nothing on a bare cloth', () => {
    fc.assert(
      fc.property(anyDesign(anyRepeat, 1), fc.double({ min: 0, max: 50, noNaN: true }), (start, gap) => {
        const design = apply(start, { type: 'repeat', repeat: start.repeat });
        const command = fitCell(design, LEAVES, gap);
        // Smaller than any cell can be.
        fc.pre(command !== undefined || design.placements.length === 0);
        if (!command) return;
        const after = apply(design, command);
        const [one] = after.placements;
        if (!one) throw new Error('it is gone');
        const box = boxAroundCentre(one, LEAF_RECORD);
        expect(box.right - box.left + gap).toBeCloseTo(after.repeat.width, 9);
        expect(one.x + box.left).toBeCloseTo(gap / 2, 8);
        expect(one.y + box.top).toBeCloseTo(gap / 2, 8);
        // Once is enough.
        expect(fitCell(after, LEAVES, gap)).toEqual({ type: 'all', commands: [] });
      }),
    );
  });
});
