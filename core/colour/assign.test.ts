import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { assign } from './assign.ts';
import { keepOrder } from './keepOrder.ts';

const costs = fc.tuple(fc.integer({ min: 1, max: 5 }), fc.integer({ min: 0, max: 2 })).chain(([rows, more]) =>
  fc.array(fc.array(fc.integer({ min: -20, max: 50 }), { minLength: rows + more, maxLength: rows + more }), {
    minLength: rows,
    maxLength: rows,
  }),
);

/** The least that any pairing costs, by trying all. */
function leastCost(table: readonly (readonly number[])[], taken: ReadonlySet<number> = new Set()): number {
  const [row, ...rest] = table;
  if (!row) return 0;
  return Math.min(
    ...row.map((cost, column) => (taken.has(column) ? Infinity : cost + leastCost(rest, new Set([...taken, column])))),
  );
}

describe('the assignment', () => {
  it('gives each row a column of its own and costs no more than any other', () => {
    fc.assert(
      fc.property(costs, (table) => {
        const columns = assign(table);
        expect(new Set(columns).size).toBe(table.length);
        const cost = columns.reduce((sum, column, row) => sum + (table[row]?.[column] as number), 0);
        expect(cost).toBe(leastCost(table));
      }),
      { numRuns: 300 },
    );
  });

  it('refuses what cannot be paired, and pairs nothing with nothing', () => {
    expect(() => assign([[1], [2]])).toThrow(RangeError);
    expect(assign([])).toEqual([]);
  });

  it('pairs a hundred with a hundred and fifty', () => {
    const table = Array.from({ length: 100 }, (_, row) =>
      Array.from({ length: 150 }, (_, n) => Math.abs(n - row - 50)),
    );
    expect(assign(table)).toEqual(table.map((_, row) => row + 50));
  });
});

const values = fc.array(fc.double({ min: 0, max: 1, noNaN: true }), { maxLength: 12 });

describe('keeping an order', () => {
  it('makes values rise, leaves those that do, and changes their sum by nothing', () => {
    fc.assert(
      fc.property(values, (given) => {
        const kept = keepOrder(given);
        expect([...kept].sort((a, b) => a - b)).toEqual(kept);
        expect(keepOrder(kept)).toEqual(kept);
        const sum = (list: readonly number[]): number => list.reduce((a, b) => a + b, 0);
        expect(sum(kept)).toBeCloseTo(sum(given), 9);
      }),
    );
  });

  it('never changes a fixed value', () => {
    fc.assert(
      fc.property(values, fc.infiniteStream(fc.boolean()), (given, flips) => {
        const fixed = given.map(() => flips.next().value as boolean);
        const rising = given.filter((_, n) => fixed[n]).sort((a, b) => a - b);
        let at = 0;
        const list = given.map((value, n) => (fixed[n] ? (rising[at++] as number) : value));
        const kept = keepOrder(list, fixed);
        expect([...kept].sort((a, b) => a - b)).toEqual(kept);
        for (const [n, value] of list.entries()) if (fixed[n]) expect(kept[n]).toBe(value);
      }),
    );
  });
});
