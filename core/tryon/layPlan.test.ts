import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { type LayPlan, layingOut, type LayWish, type PieceMask } from './layPlan.ts';

const CELL = 5;
/** An L, a bar, a rectangle or a triangle of some cells. */
const anyMask = fc
  .record({
    kind: fc.constantFrom('l', 'bar', 'block', 'wedge'),
    width: fc.integer({ min: 1, max: 14 }),
    height: fc.integer({ min: 1, max: 14 }),
  })
  .map(({ kind, width, height }): Omit<PieceMask, 'id' | 'x' | 'y'> => ({
    width,
    height,
    cells: Uint8Array.from({ length: width * height }, (_, i) => {
      const [x, y] = [i % width, Math.floor(i / width)];
      if (kind === 'l') return x === 0 || y === height - 1 ? 1 : 0;
      if (kind === 'wedge') return x * height <= y * width ? 1 : 0;
      return 1;
    }),
  }));
const anyWish = fc.record({
  width: fc.integer({ min: 14, max: 60 }).map((columns) => columns * CELL),
  gap: fc.constantFrom(0, CELL, 2 * CELL),
  isOneWay: fc.boolean(),
  cell: fc.constant(CELL),
});
const named = (masks: readonly Omit<PieceMask, 'id' | 'x' | 'y'>[]): PieceMask[] =>
  masks.map((mask, n) => ({ ...mask, id: `p${n}`, x: 0, y: 0 }));

function last(masks: readonly PieceMask[], wish: LayWish, tries: number): LayPlan {
  let plan: LayPlan | undefined;
  for (const better of layingOut(masks, wish, tries)) {
    if (plan) expect(better.length).toBeLessThanOrEqual(plan.length);
    plan = better;
  }
  return plan as LayPlan;
}

describe('pieces laid on cloth', () => {
  it('never overlap, keep their gap, and never leave the cloth', () => {
    fc.assert(
      fc.property(fc.array(anyMask, { minLength: 1, maxLength: 9 }), anyWish, (shapes, wish) => {
        const masks = named(shapes);
        const plan = last(masks, wish, 4);
        expect(plan.pieces.map(({ id }) => id).sort()).toEqual(masks.map(({ id }) => id).sort());
        const owner = new Map<string, string>();
        for (const { id, x, y, isTurned } of plan.pieces) {
          if (wish.isOneWay) expect(isTurned).toBe(false);
          const { width, height, cells } = masks.find((mask) => mask.id === id) as PieceMask;
          cells.forEach((cell, i) => {
            if (!cell) return;
            const at = isTurned ? cells.length - 1 - i : i;
            const [cx, cy] = [x / CELL + (at % width), y / CELL + Math.floor(at / width)];
            expect(cx >= 0 && cx < wish.width / CELL && cy >= 0 && cy * CELL < plan.length).toBe(true);
            owner.set(`${cx} ${cy}`, id);
          });
          void height;
        }
        // Every cell belongs to one piece, and none lies within the gap of another.
        const reach = wish.gap / CELL;
        const count = masks.reduce((sum, { cells }) => sum + cells.filter(Boolean).length, 0);
        expect(owner.size).toBe(count);
        for (const [place, id] of owner) {
          const [cx, cy] = place.split(' ').map(Number) as [number, number];
          for (let dy = -reach; dy <= reach; dy += 1)
            for (let dx = -reach; dx <= reach; dx += 1) {
              const other = owner.get(`${cx + dx} ${cy + dy}`);
              expect(other === undefined || other === id).toBe(true);
            }
        }
        expect(plan.used).toBeCloseTo((count * CELL * CELL) / (plan.length * wish.width), 9);
      }),
      { numRuns: 60 },
    );
  });

  it('fill a strip that they fit exactly', () => {
    const block = { width: 10, height: 4, cells: new Uint8Array(40).fill(1) };
    const plan = last(named([block, block, block, block]), { width: 100, gap: 0, isOneWay: true, cell: CELL }, 1);
    expect(plan).toMatchObject({ length: 40, used: 1 });
  });

  it('are turned into each other where they may be', () => {
    // Two wedges make a rectangle, if one of them lies upside down.
    const wedge = {
      width: 12,
      height: 12,
      cells: Uint8Array.from({ length: 144 }, (_, i) => (i % 12 <= Math.floor(i / 12) ? 1 : 0)),
    };
    const wish = { width: 13 * CELL, gap: 0, cell: CELL };
    const oneWay = last(named([wedge, wedge]), { ...wish, isOneWay: true }, 8);
    const either = last(named([wedge, wedge]), { ...wish, isOneWay: false }, 8);
    expect(oneWay.length).toBe(24 * CELL);
    expect(either.length).toBeLessThan(14 * CELL);
  });

  it('are refused where the cloth is narrower than one of them', () => {
    const bar = { width: 40, height: 1, cells: new Uint8Array(40).fill(1) };
    expect(() => last(named([bar]), { width: 150, gap: 0, isOneWay: true, cell: CELL }, 1)).toThrow(
      'The cloth is too narrow for one of the pieces, which is 200 mm wide. Type a wider cloth.',
    );
  });
});
