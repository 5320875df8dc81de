import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import type { ArrayLayout, ArrayRecipe } from '../recipe/index.ts';
import { arrayRecipeSchema } from '../recipe/index.ts';
import { arrayParts, smoothLine } from './arrayParts.ts';

const number = (min: number, max: number): fc.Arbitrary<number> =>
  fc.double({ min, max, noNaN: true }).map((n) => n + 0);
const anyLayout: fc.Arbitrary<ArrayLayout> = fc.oneof(
  fc.record({
    kind: fc.constant('grid' as const),
    columns: fc.integer({ min: 1, max: 30 }),
    rows: fc.integer({ min: 1, max: 30 }),
    across: number(1, 200),
    down: number(1, 200),
    shift: number(0, 1),
  }),
  fc.record({
    kind: fc.constant('ring' as const),
    count: fc.integer({ min: 1, max: 60 }),
    radius: number(0, 300),
    from: number(-360, 360),
    sweep: number(1, 360),
    facing: fc.boolean(),
  }),
  fc.record({
    kind: fc.constant('line' as const),
    count: fc.integer({ min: 1, max: 40 }),
    points: fc.array(fc.record({ x: number(-200, 200), y: number(-200, 200) }), { minLength: 2, maxLength: 8 }),
    facing: fc.boolean(),
  }),
  fc.record({
    kind: fc.constant('frame' as const),
    width: number(1, 400),
    height: number(1, 400),
    across: fc.integer({ min: 0, max: 20 }),
    down: fc.integer({ min: 0, max: 20 }),
    corner: fc.constantFrom('corner', null),
  }),
);
const recipeOf = (layout: ArrayLayout, rest: Partial<ArrayRecipe> = {}): ArrayRecipe => ({
  kind: 'array',
  motif: 'side',
  layout,
  turn: 0,
  growth: 0,
  varyRotation: 0,
  varyScale: 0,
  seed: 1,
  ...rest,
});

describe('an array', () => {
  it('has as many parts as it says, the same for the same seed, in a recipe that is kept', () => {
    fc.assert(
      fc.property(
        anyLayout,
        number(-0.2, 0.2),
        number(0, 90),
        fc.nat({ max: 999 }),
        (layout, growth, varyRotation, seed) => {
          const recipe = recipeOf(layout, { growth, varyRotation, seed });
          arrayRecipeSchema.validateSync(JSON.parse(JSON.stringify(recipe)), { strict: true });
          const parts = arrayParts(recipe);
          const wanted =
            layout.kind === 'grid'
              ? layout.columns * layout.rows
              : layout.kind === 'frame'
                ? 4 + 2 * layout.across + 2 * layout.down
                : layout.count;
          expect(parts).toHaveLength(Math.min(500, wanted));
          expect(arrayParts(recipe)).toEqual(parts);
          for (const { x, y, rotation, scale } of parts)
            expect([x, y, rotation, scale].every(Number.isFinite) && Math.abs(rotation) <= 360 && scale >= 0.01).toBe(
              true,
            );
        },
      ),
    );
  });

  it('stands evenly: round a ring, along a line by its length, and in a frame that closes', () => {
    const ring = arrayParts(recipeOf({ kind: 'ring', count: 6, radius: 50, from: 0, sweep: 360, facing: true }));
    ring.forEach(({ x, y, rotation }, n) => {
      expect(Math.hypot(x, y)).toBeCloseTo(50, 9);
      expect(rotation).toBeCloseTo(60 * n, 9);
      const next = ring[(n + 1) % 6];
      expect(Math.hypot(x - (next?.x ?? 0), y - (next?.y ?? 0))).toBeCloseTo(50, 9);
    });
    const half = arrayParts(recipeOf({ kind: 'ring', count: 3, radius: 10, from: 0, sweep: 180, facing: false }));
    expect(half.at(-1)).toMatchObject({
      x: expect.closeTo(0, 9) as number,
      y: expect.closeTo(10, 9) as number,
      rotation: 0,
    });
    const straight = arrayParts(
      recipeOf({
        kind: 'line',
        count: 5,
        points: [
          { x: -40, y: 0 },
          { x: 40, y: 0 },
        ],
        facing: true,
      }),
    );
    expect(straight.map(({ x }) => Math.round(x))).toEqual([-40, -20, 0, 20, 40]);
    const frame = arrayParts(recipeOf({ kind: 'frame', width: 90, height: 60, across: 2, down: 1, corner: 'corner' }));
    expect(frame.map(({ motif }) => motif).filter((motif) => motif === 'corner')).toHaveLength(4);
    expect(frame.map(({ x, y, rotation }) => [x, y, rotation]).slice(0, 5)).toEqual([
      [-45, -30, 0],
      [-15, -30, 0],
      [15, -30, 0],
      [45, -30, 90],
      [45, 0, 90],
    ]);
  });

  it('mirrors every other one where it is asked to: along a line, and on a grid as on a chessboard', () => {
    const flipped = (layout: ArrayLayout): boolean[] =>
      arrayParts(recipeOf(layout, { alternating: true })).map((part) => part.flipped);
    fc.assert(
      fc.property(anyLayout, (layout) => {
        const mirrored = flipped(layout);
        expect(arrayParts(recipeOf(layout)).some((part) => part.flipped)).toBe(false);
        mirrored.forEach((one, n) =>
          expect(one).toBe(
            layout.kind === 'grid' ? (Math.floor(n / layout.columns) + (n % layout.columns)) % 2 === 1 : n % 2 === 1,
          ),
        );
      }),
    );
  });

  it('has its line through all of its points', () => {
    fc.assert(
      fc.property(
        fc.array(fc.record({ x: number(-200, 200), y: number(-200, 200) }), { minLength: 2, maxLength: 8 }),
        (points) => {
          const line = smoothLine(points);
          for (const { x, y } of points)
            expect(Math.min(...line.map((on) => Math.hypot(on.x - x, on.y - y)))).toBeLessThan(1e-9);
        },
      ),
    );
  });

  it('grows and turns from one to the next', () => {
    const parts = arrayParts(
      recipeOf({ kind: 'grid', columns: 4, rows: 1, across: 10, down: 10, shift: 0 }, { growth: 0.5, turn: 30 }),
    );
    expect(parts.map(({ scale }) => scale)).toEqual([1, 1.5, 2.25, 3.375]);
    expect(parts.map(({ rotation }) => rotation)).toEqual([0, 30, 60, 90]);
  });
});
