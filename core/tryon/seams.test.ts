import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { type Repeat, step } from '../lattice/index.ts';
import { printedCloth } from './printedCloth.ts';
import { layingOut, type LayPlan, type PieceMask } from './layPlan.ts';
import { patternOntoCloth } from './patternMatrix.ts';
import { invert, transform } from '../geometry/index.ts';
import { latticeDistance, latticeOf } from '../lattice/index.ts';
import type { Product } from './product.ts';
import { matchSeams, meets, seamStates } from './seams.ts';
import { fillOf, newTryOn, type TryOn, withOrigin } from './tryOn.ts';

const real = (min: number, max: number) => fc.double({ min, max, noNaN: true });
const piece = (id: string, grain = 0): Product['pieces'][number] => ({
  id,
  name: id,
  face: { kind: 'flat', x: 0, y: 0, unit: 1, rotation: 0 },
  grain,
  datum: { x: 100, y: 40 },
});
const end = (id: string, x: number, y: number) => ({ piece: id, x, y });
/** Two pieces, sewn together at both sides: a tube. */
const tube = (width: number, grain = 0): Product => ({
  version: 1,
  id: 'tube',
  name: 'Tube',
  group: 'own',
  size: '',
  width: 1000,
  height: 1000,
  backdrop: '#ffffff',
  pieces: [piece('front'), piece('back', grain)],
  seams: [
    { one: end('front', 0, 30), other: end('back', width, 30) },
    { one: end('front', width, 30), other: end('back', 0, 30) },
  ],
});
const repeat: fc.Arbitrary<Repeat> = fc.record({
  width: real(20, 300),
  height: real(20, 300),
  step: fc.constantFrom(step('square'), step('half-drop'), step('brick')),
});
const lay = fc.record({ scale: real(0.3, 3), rotation: real(-180, 180) });
const worn = (product: Product, more: object = {}): TryOn => ({ ...newTryOn('T', product, { design: 'd' }), ...more });

describe('a pattern matched at the seams', () => {
  it('meets at every seam of pieces that are sewn in a row', () => {
    fc.assert(
      fc.property(repeat, lay, real(-500, 500), real(-500, 500), (cell, lie, x, y) => {
        const { seams = [], ...rest } = tube(492);
        const row: Product = { ...rest, seams: seams.slice(0, 1) };
        const before = withOrigin(worn(row, lie), 'back', x, y);
        const after = matchSeams(before, row, () => cell);
        const [state] = seamStates(after, row, () => cell);
        expect(state && state.off).toBeLessThan(1e-6);
        expect(fillOf(after, 'front')).toEqual(fillOf(before, 'front'));
        // Nobody is moved farther than half the longer way across a cell.
        const moved = Math.hypot(fillOf(after, 'back').x - x, fillOf(after, 'back').y - y);
        expect(moved).toBeLessThan((Math.hypot(cell.width, cell.height) + 1e-6) * lie.scale);
      }),
    );
  });

  it('meets around a tube only where whole repeats go around it', () => {
    const cell: Repeat = { width: 123, height: 90, step: step('square') };
    const count = (width: number): number => {
      const product = tube(width);
      return seamStates(
        matchSeams(worn(product), product, () => cell),
        product,
        () => cell,
      ).filter(meets).length;
    };
    expect(count(2 * 123)).toBe(2);
    // Once around is twice the width: a half repeat in each piece will do.
    expect(count(1.5 * 123)).toBe(2);
    expect(count(2.3 * 123)).toBe(1);
  });

  it('is not moved where pieces differ in size, angle or pattern', () => {
    const product = tube(492);
    const cell: Repeat = { width: 123, height: 90, step: step('square') };
    const parted: TryOn = {
      ...worn(product),
      pieces: [{ id: 'back', source: undefined, lay: { scale: 2, rotation: 0 }, x: 1, y: 2 }],
    };
    expect(matchSeams(parted, product, () => cell)).toEqual(parted);
    expect(seamStates(parted, product, () => cell).map(({ off }) => off)).toEqual([Infinity, Infinity]);
    expect(matchSeams(worn(product), product, () => undefined)).toEqual(worn(product));
  });
});

describe('pieces cut from printed cloth', () => {
  const mask = (id: string, width: number, height: number): PieceMask => ({
    id,
    x: 3.5,
    y: -12,
    width,
    height,
    cells: new Uint8Array(width * height).fill(1),
  });

  it('show the pattern as it lies on them, without overlapping', () => {
    fc.assert(
      fc.property(repeat, lay, real(-400, 400), real(-400, 400), (cell, lie, x, y) => {
        const product = tube(100);
        const tryOn = withOrigin(worn(product, { ...lie, scale: Math.min(1, lie.scale) }), 'back', x, y);
        const masks = [mask('front', 20, 16), mask('back', 24, 9)];
        const printed = printedCloth(tryOn, product, cell, masks, 900);
        expect(printed).toBeDefined();
        let plan: LayPlan | undefined;
        for (const better of layingOut(masks, { width: 900, gap: 0, isOneWay: false, cell: 5, printed }, 3))
          plan = better;
        const [one, other] = ['front', 'back'].map((id) => plan?.pieces.find((laid) => laid.id === id));
        if (!plan || !one || !other) throw new Error('a piece is missing');
        expect([one.isTurned, other.isTurned]).toEqual([false, false]);
        // What is printed at the cloth's corner, by either piece.
        const [p, q] = [one, other].map((laid) => {
          const own = { ...piece(laid.id), grain: 0 };
          const back = invert(patternOntoCloth(own, fillOf(tryOn, laid.id)));
          if (!back) throw new Error('no way back');
          return transform(back, { x: 3.5 - laid.x, y: -12 - laid.y });
        }) as [{ x: number; y: number }, { x: number; y: number }];
        expect(latticeDistance(latticeOf(cell), p.x - q.x, p.y - q.y)).toBeLessThan(1e-6);
        const sizeOf = { front: [100, 80], back: [120, 45] } as const;
        const apart =
          one.x + sizeOf.front[0] <= other.x + 1e-6 ||
          other.x + sizeOf.back[0] <= one.x + 1e-6 ||
          one.y + sizeOf.front[1] <= other.y + 1e-6 ||
          other.y + sizeOf.back[1] <= one.y + 1e-6;
        expect(apart).toBe(true);
        for (const [laid, [width, height]] of [
          [one, sizeOf.front],
          [other, sizeOf.back],
        ] as const) {
          expect(laid.x).toBeGreaterThanOrEqual(0);
          expect(laid.x + width).toBeLessThanOrEqual(900);
          expect(laid.y + height).toBeLessThanOrEqual(plan.length);
        }
      }),
      { numRuns: 60 },
    );
  });

  it('cannot show two sizes at once', () => {
    const product = tube(100);
    const cell: Repeat = { width: 123, height: 90, step: step('square') };
    const parted: TryOn = {
      ...worn(product),
      pieces: [{ id: 'back', source: undefined, lay: { scale: 2, rotation: 0 }, x: 0, y: 0 }],
    };
    expect(printedCloth(parted, product, cell, [mask('front', 2, 2), mask('back', 2, 2)], 900)).toBeUndefined();
  });

  it('are refused where no part of the cloth shows what is asked for', () => {
    const product = tube(100);
    const cell: Repeat = { width: 700, height: 90, step: step('square') };
    const tryOn = withOrigin(worn(product), 'back', 350, 0);
    const masks = [mask('front', 100, 2), mask('back', 100, 2)];
    const printed = printedCloth(tryOn, product, cell, masks, 520);
    const wish = { width: 520, gap: 0, isOneWay: true, cell: 5, printed };
    expect(() => [...layingOut(masks, wish, 1)]).toThrow(/too narrow.*Type a wider cloth/);
  });
});
